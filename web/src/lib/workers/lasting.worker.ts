import { lastingJobs } from './lasting.jobs';
import { serve } from './serve';

serve(lastingJobs());
