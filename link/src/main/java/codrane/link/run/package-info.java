/** Carries out the run engine's actions over a link. Read {@link codrane.link.run.RunLoop} first. */
package codrane.link.run;
