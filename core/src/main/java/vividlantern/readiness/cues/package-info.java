/** Rules of what performers hear in their headphones. */
package vividlantern.readiness.cues;
