/** What a secure gateway lets pass. Read {@link codrane.core.gateway.OperationMatrix} first. */
package codrane.core.gateway;
