/** Traces of the wire for a packet analyser. Read {@link codrane.link.trace.PcapngWriter} first. */
package codrane.link.trace;
