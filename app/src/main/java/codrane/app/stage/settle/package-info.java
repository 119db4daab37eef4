/** The room of Settle: what lets the vehicle come to rest. */
package codrane.app.stage.settle;
