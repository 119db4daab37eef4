/** Vehicle packs, interfaces and their meters. Read {@link codrane.app.interfaces.BenchInterface} first. */
package codrane.app.vehicle;
