import { curveJobs } from './curve.jobs';
import { serve } from './serve';

serve(curveJobs());
