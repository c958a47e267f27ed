/** Sound in files: WAV read and written, and brought to another sample rate. */
package vividlantern.sound;
