/** Diagnostics over IP (ISO 13400-2) on TCP. Read {@link codrane.link.doip.DoipMessage} first. */
package codrane.link.doip;
