/** Rules of what is plugged where: inputs, ports, tracks, clocks. */
package vividlantern.readiness.ports;
