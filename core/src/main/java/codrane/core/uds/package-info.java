/**
 * UDS (ISO 14229-1) by its names: services, requests, and messages in words. Read {@link codrane.core.uds.Service}
 * first.
 */
package codrane.core.uds;
