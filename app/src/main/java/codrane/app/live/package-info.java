/** What happens now: events to browsers, background work, runs. Read {@link codrane.app.live.RunService} first. */
package codrane.app.live;
