/** A cue: the tracks sent to it, and what is done to the mix on its way to the ears. */
package vividlantern.session.cue;
