/** Faults on demand: what is wrong with a vehicle, its bus or the interface. Read {@link codrane.standin.fault.FaultSpec} first. */
package codrane.standin.fault;
