import { provingJobs } from './proving.jobs';
import { serve } from './serve';

serve(provingJobs);
