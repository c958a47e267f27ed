/** Sounds from files: taken in, checked, brought to the session's rate, kept. */
package vividlantern.media;
