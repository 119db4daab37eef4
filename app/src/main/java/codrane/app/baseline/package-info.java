/** Stored baselines: shown, compared, exported, taken in. Read {@link codrane.app.baseline.Baselines} first. */
package codrane.app.baseline;
