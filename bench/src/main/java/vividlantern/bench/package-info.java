/** Figures: how fast the program is, measured and printed, never asserted. */
package vividlantern.bench;
