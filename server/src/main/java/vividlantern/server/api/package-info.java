/** HTTP: parse, call, answer. Errors are problem documents that a person can act on. */
package vividlantern.server.api;
