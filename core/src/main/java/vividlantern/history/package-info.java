/** Changes that people make, and the undo each of them has: a log of parts before and after, for sessions and for rigs alike. */
package vividlantern.history;
