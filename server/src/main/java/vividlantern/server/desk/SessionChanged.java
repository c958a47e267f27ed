package vividlantern.server.desk;

import vividlantern.session.Session;

/** A session has a new, stored state. */
public record SessionChanged(Session before, Session after) {}
