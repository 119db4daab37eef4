/** How long things take on the wire. Read {@link codrane.core.timing.CanFrameBits} first. */
package codrane.core.timing;
