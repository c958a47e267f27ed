/** The sessions that are open: one state and one history each, changed by edits alone. */
package vividlantern.server.desk;
