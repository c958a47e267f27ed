package vividlantern.sim;

/**
 * One note of the score.
 *
 * @param quarter where it begins, in quarter notes from bar 1
 * @param quarters how long it lasts
 * @param pitch its MIDI number; meaningless for struck wood and shaker
 * @param strength from 0 to 1
 */
record Note(double quarter, double quarters, int pitch, double strength) {}
