/** The stages of a job, one class each: what to do next there, what was found, and which acts there are. */
package codrane.core.job.stage;
