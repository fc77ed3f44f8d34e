export { jobCard, jobKinds, jobsAt, jobsFor, jobTitle, type JobCard, type Offer } from './card';
export { meaningOf, meterReads, type Meant } from './meaning';
