/** JPA storage of jobs; entities stay inside. Read {@link codrane.app.job.jpa.JobStore} first. */
package codrane.app.job.jpa;
