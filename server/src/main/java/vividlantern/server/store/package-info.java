/** Sessions, rigs and their logs as rows of an H2 file through Hibernate, and copies of that file. What is acknowledged is stored. */
package vividlantern.server.store;
