/** Rules of +48 V, gain, pad and level. */
package vividlantern.readiness.preamps;
