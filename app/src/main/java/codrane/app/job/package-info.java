/** The frame around the stages of a job: the job itself, its list, today's board, the rail and the next act. */
package codrane.app.job;
