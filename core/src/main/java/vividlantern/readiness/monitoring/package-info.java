/** Rules of who hears what late, twice, or not at all. */
package vividlantern.readiness.monitoring;
