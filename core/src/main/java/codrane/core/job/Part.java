package codrane.core.job;

/** What one stage knows of a job. */
public interface Part {}
