/** Rules of the song, its click and its sounds. */
package vividlantern.readiness.song;
