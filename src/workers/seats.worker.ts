import { SEAT_JOBS } from './seats';
import { serveJobs } from './serve';

serveJobs(SEAT_JOBS);
