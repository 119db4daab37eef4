/** What was done in the workshop: its runs, and the acts of its people. */
package codrane.app.history;
