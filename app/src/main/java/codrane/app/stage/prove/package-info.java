/** The room of Prove: a fresh scan beside the first. */
package codrane.app.stage.prove;
