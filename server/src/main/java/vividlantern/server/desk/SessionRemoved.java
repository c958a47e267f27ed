package vividlantern.server.desk;

import vividlantern.session.SessionId;

/** A session was put into the bin. */
public record SessionRemoved(SessionId id) {}
