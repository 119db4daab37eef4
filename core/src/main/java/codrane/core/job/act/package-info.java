/** Acts of people on a job: what each is called, and what may stop it. */
package codrane.core.job.act;
