/** One song's set-up as immutable data: inputs, tracks, cues, click and tempo. Nothing here computes sound; a new state is made by an edit. */
package vividlantern.session;
