/** Which ports are on offer, and bringing inputs to them in bulk. The functions return edits; they change nothing themselves. */
package vividlantern.patch;
