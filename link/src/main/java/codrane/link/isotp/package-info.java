/** ISO-TP (ISO 15765-2) over classic CAN, normal addressing. Read {@link codrane.link.isotp.IsoTpEndpoint} first. */
package codrane.link.isotp;
