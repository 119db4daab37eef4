/** The web application: pages, persistence, security, runs. Packages are by feature. */
package codrane.app;
