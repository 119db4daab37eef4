/** Fault numbers, their status and what became of them. Read {@link codrane.core.fault.Fault} first. */
package codrane.core.fault;
