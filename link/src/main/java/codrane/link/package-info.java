/** The wire. Read {@link codrane.link.DiagnosticLink} first: the one port through which the application talks to a vehicle. */
package codrane.link;
