/** The chained record of who did what. Read {@link codrane.core.audit.AuditChain} first. */
package codrane.core.audit;
