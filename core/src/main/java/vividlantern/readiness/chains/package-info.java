/** Rules of what the sound of tracks passes. */
package vividlantern.readiness.chains;
