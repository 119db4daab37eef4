/** ISO-TP (ISO 15765-2) over CAN and CAN FD, normal and extended addressing. Read {@link codrane.link.isotp.IsoTpEndpoint} first. */
package codrane.link.isotp;
