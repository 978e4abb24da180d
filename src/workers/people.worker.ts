import { PEOPLE_JOBS, type PeopleJobs } from './people';
import { serveJobs } from './serve';

serveJobs<PeopleJobs>(PEOPLE_JOBS);
