/** The room of Bench: the link, the supply, the old module. */
package codrane.app.stage.bench;
