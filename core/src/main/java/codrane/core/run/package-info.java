/**
 * The run engine: a pure state machine that turns a list of tasks into requests, one at a time, and judges the answers.
 * Read {@link codrane.core.run.RunMachine} first.
 */
package codrane.core.run;
