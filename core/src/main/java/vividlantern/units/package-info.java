/** Small immutable values that carry their unit with them: levels, pan positions, delays in air. They know nothing of sessions or devices. */
package vividlantern.units;
