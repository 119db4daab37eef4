/** Octets, their hexadecimal text, checked reading and checksums. Read {@link codrane.core.octets.Bytes} first. */
package codrane.core.octets;
