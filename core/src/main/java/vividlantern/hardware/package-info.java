/** The port through which the engine meets an audio device. Real drivers and the stand-ins stand behind the same two interfaces. */
package vividlantern.hardware;
