/** Does a page of a job lie at this address? */
export const isOfJob = (path: string): boolean => path.startsWith('/jobs/');
