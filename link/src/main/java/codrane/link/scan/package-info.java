/** Reads a whole vehicle over a link. Read {@link codrane.link.scan.VehicleScanner} first. */
package codrane.link.scan;
