/** The data folder: what lies in it, who holds it, and whether what is in it can be used. */
package vividlantern.server.folder;
