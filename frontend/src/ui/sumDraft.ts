/** Under which name a sum half typed is kept: on the page of sums, or on its way into a job. */
export const draftKey = (job: string, sum: string) => (job ? `fit.${job}.${sum}` : `sum.${sum}`);
