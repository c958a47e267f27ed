/** Sound from files at the song's frame: read ahead where waiting is allowed, handed to the mixer where it is not. */
package vividlantern.playback;
