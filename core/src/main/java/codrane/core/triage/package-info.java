/** What faults mean for a job, and what is done about them. Read {@link codrane.core.triage.FaultTriage} first. */
package codrane.core.triage;
