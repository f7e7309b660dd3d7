import { bearingJobs } from './bearing.jobs';
import { serve } from './serve';

serve(bearingJobs);
