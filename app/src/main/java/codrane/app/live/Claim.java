package codrane.app.live;

/**
 * A run that owns its interface.
 *
 * @param fence of its lease: whoever has an older one writes nothing any more
 */
record Claim(long runId, long fence) {}
