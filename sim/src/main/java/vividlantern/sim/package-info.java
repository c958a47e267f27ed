/**
 * The stand-ins: a simulated studio with true cables, a room, and players who play a tune. They stand behind the
 * hardware port; nothing else of the program knows what is really plugged in here.
 */
package vividlantern.sim;
