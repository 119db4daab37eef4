/** Vehicle packs, interfaces and their meters. Read {@link codrane.app.vehicle.BenchInterface} first. */
package codrane.app.vehicle;
