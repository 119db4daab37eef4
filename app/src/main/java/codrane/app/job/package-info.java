/** Jobs and their stages. Read {@link codrane.app.job.JobFacts} first. */
package codrane.app.job;
