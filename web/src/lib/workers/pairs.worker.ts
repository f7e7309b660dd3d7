import { pairJobs } from './pairs.jobs';
import { serve } from './serve';

serve(pairJobs());
