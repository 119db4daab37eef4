/** What may stop a run before anything is written: small rules, in the order in which they are asked. */
package codrane.core.job.release;
