/** Time for protocols: the same code runs in virtual time in process and in paced real time over sockets. */
package codrane.link.time;
