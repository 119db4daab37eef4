/** What a plan needs before it is begun, how long it takes to get, and so the earliest start. Read {@link codrane.core.ready.Readiness} first. */
package codrane.core.ready;
