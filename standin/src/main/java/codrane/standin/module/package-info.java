/**
 * One simulated module: what it holds, and its UDS server with a class for each group of services. Read {@link
 * codrane.standin.module.UdsServer} first.
 */
package codrane.standin.module;
