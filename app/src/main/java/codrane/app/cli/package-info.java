/** Commands without a browser; no Spring in them, so that they start at once. Read {@link codrane.app.cli.Main} first. */
package codrane.app.cli;
