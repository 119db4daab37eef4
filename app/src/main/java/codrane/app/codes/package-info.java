/** Access codes of vehicles: kept encrypted, sent by a run, and shown to nobody who has no reason. */
package codrane.app.codes;
