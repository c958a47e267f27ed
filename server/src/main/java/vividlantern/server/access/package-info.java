/** Who may ask: this machine's own pages, under a strict content security policy. */
package vividlantern.server.access;
