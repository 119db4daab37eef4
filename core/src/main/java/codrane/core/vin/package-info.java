/** Vehicle identification numbers: check, mending, comparison. Read {@link codrane.core.vin.VinCheck} first. */
package codrane.core.vin;
