/** Open file formats in and out: WAV, Standard MIDI Files, CSV, and the JSON in which sessions and edits are written. */
package vividlantern.format;
