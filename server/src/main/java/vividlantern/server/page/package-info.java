/** Hands out the page and its assets, under a strict content security policy. */
package vividlantern.server.page;
