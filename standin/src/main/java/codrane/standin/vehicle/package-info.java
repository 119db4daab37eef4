/**
 * Simulated vehicles: modules that hold what is written to them, raise faults from their state, and take their time.
 * Read {@link codrane.standin.vehicle.SimulatedVehicle} first.
 */
package codrane.standin.vehicle;
