import { JOBS, type Jobs } from './jobs';
import { serveJobs } from './serve';

serveJobs<Jobs>(JOBS);
