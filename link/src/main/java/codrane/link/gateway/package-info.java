/** Opening secure gateways. Read {@link codrane.link.gateway.GatewayAccess} first. */
package codrane.link.gateway;
