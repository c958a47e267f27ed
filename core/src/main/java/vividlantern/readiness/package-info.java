/** What would go wrong if recording began now: one rule a class, each finding with its reason and its way out. */
package vividlantern.readiness;
