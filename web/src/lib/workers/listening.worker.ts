import { listeningJobs } from './listening.jobs';
import { serve } from './serve';

serve(listeningJobs());
