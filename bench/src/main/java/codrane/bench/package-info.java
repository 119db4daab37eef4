/** Measurements. Read {@link codrane.bench.SimulationMeasurement} first. */
package codrane.bench;
