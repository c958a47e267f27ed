/** Copies of the whole database: made by the clock, looked into, put back; and the room in its file that holds nothing any more. */
package vividlantern.server.store.copies;
