/** Measurements. Read {@link codrane.bench.ProgrammingMeasurement} first. */
package codrane.bench;
