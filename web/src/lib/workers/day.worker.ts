import { dayJobs } from './day.jobs';
import { serve } from './serve';

serve(dayJobs);
