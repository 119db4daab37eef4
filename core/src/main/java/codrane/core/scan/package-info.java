/** What a scan of the vehicle found, and where it agrees. Read {@link codrane.core.scan.AgreementMatrix} first. */
package codrane.core.scan;
