/** Gain, pad, +48 V and level kind: how the input list wants the preamps, and how a gain changes without the listeners hearing it. */
package vividlantern.preamp;
