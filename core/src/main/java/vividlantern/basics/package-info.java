/** What everything else stands on: typed text and ids checked, lists with an index, and how something is refused. */
package vividlantern.basics;
