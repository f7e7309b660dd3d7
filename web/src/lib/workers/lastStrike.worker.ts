import { lastStrikeJobs } from './lastStrike.jobs';
import { serve } from './serve';

serve(lastStrikeJobs());
