/** The chained record of acts, and the ledger of changes. Read {@link codrane.app.records.AuditTrail} first. */
package codrane.app.records;
