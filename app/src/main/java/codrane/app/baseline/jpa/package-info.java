/** Baselines in the database. */
package codrane.app.baseline.jpa;
