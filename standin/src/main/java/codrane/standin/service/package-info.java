/** The makers' services as stand-ins on loopback: calibrations, line sheets. Read {@link codrane.standin.service.MakerService} first. */
package codrane.standin.service;
