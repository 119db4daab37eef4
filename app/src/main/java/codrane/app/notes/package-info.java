/** Notes on jobs: one table, in which each room keeps forms of its own. */
package codrane.app.notes;
