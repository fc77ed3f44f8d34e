export { jobCard, jobKinds, jobsFor, type JobCard, type Offer } from './card';
