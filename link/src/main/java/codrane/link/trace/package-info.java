/** Records of the wire: kept in a ring, exported for a packet analyser, decoded for people. Read {@link codrane.link.trace.TraceRing} first. */
package codrane.link.trace;
