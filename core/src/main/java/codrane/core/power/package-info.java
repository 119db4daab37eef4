/** Supply voltage: gates before a run, the watch during it. Read {@link codrane.core.power.PowerGate} first. */
package codrane.core.power;
