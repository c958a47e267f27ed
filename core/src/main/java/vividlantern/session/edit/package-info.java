/** Every change anybody can make to a session, one record each, with its validation and its words. A list of edits applies as one or not at all; the history undoes them by person. */
package vividlantern.session.edit;
