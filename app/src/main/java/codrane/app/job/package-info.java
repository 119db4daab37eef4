/** The frame around the stages of a job: the job itself, its list, the rail and the next act. */
package codrane.app.job;
