/** Taking in a new job. */
package codrane.app.newjob;
