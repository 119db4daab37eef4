/** The workshop's interfaces, and making a new one ready. Read {@link codrane.app.tools.Tools} first. */
package codrane.app.tools;
