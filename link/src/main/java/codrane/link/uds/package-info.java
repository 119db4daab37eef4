/** UDS (ISO 14229-1) from the tester's side. Read {@link codrane.link.uds.CanLink} first. */
package codrane.link.uds;
