/** The song of a session: tempos and bars, its parts, the click, backing tracks and their sounds. */
package vividlantern.session.song;
