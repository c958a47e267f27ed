/** The transport and the running mixer between a device's inputs and outputs, and the same set-up rendered to a file. */
package vividlantern.engine;
