/** Everything that was read before the first write, stored raw and labelled. Read {@link codrane.core.baseline.Baseline} first. */
package codrane.core.baseline;
