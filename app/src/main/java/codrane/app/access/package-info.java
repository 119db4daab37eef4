/** Accounts at the makers' authorities, and what they granted. Read {@link codrane.app.access.Access} first. */
package codrane.app.access;
