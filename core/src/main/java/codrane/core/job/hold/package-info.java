/** Hold points of a job, one class each: when it is needed, what keeps it, and what a person lacks to keep it. */
package codrane.core.job.hold;
