/** Fills an empty data folder with the demo studio and its session. */
package vividlantern.server.demo;
