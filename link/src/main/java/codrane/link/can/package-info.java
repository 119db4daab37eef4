/** Classic CAN: frames, their text form, the simulated bus and its socket. Read {@link codrane.link.can.SimulatedBus} first. */
package codrane.link.can;
