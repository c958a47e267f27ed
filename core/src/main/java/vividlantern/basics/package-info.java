/** What everything else stands on: typed text and ids checked, lists with an index, how something is refused, and how far what takes a while has come. */
package vividlantern.basics;
