/**
 * What people say for the plan of a job, the workshop's answers to judgement calls, and what a plan needs. Read {@link
 * codrane.app.decide.Decided} first.
 */
package codrane.app.decide;
