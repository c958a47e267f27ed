/** Where clicks fall in a song, to the frame, and the sounds they are made of. It knows positions, not who hears them. */
package vividlantern.click;
