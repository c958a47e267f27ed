/** Open file formats in and out: Standard MIDI Files, CSV, PDF, ZIP, and the JSON in which sessions and edits are written. */
package vividlantern.format;
