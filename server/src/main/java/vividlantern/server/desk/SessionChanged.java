package vividlantern.server.desk;

import java.util.Optional;
import java.util.SortedMap;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Session;

/**
 * A session has a new, stored state.
 *
 * @param parts those that differ, each as it is afterwards; empty where it is gone
 */
public record SessionChanged(Session before, Session after, SortedMap<PartKey, Optional<Part>> parts) {}
