package vividlantern.session;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import vividlantern.session.cue.Cue;

/** A session while some of what it holds is changed: its components by their names. */
final class SessionDraft {

    private static final RecordComponent[] COMPONENTS = Session.class.getRecordComponents();
    private static final Constructor<Session> MAKE = constructor();
    private static final Map<String, Integer> PLACES = new HashMap<>();

    static {
        for (int at = 0; at < COMPONENTS.length; at++) {
            PLACES.put(COMPONENTS[at].getName(), at);
        }
    }

    private final Object[] values;

    private SessionDraft(Object[] values) {
        this.values = values;
    }

    /** Nothing but an id and a revision yet. */
    static SessionDraft empty(SessionId id, long revision) {
        return new SessionDraft(new Object[COMPONENTS.length]).put("id", id).put("revision", revision);
    }

    static SessionDraft of(Session session) {
        Object[] values = new Object[COMPONENTS.length];
        for (int at = 0; at < values.length; at++) {
            values[at] = call(COMPONENTS[at], session);
        }
        return new SessionDraft(values);
    }

    SessionDraft put(String component, Object value) {
        values[PLACES.get(component)] = value;
        return this;
    }

    /** The settings' fields are the session's own, by the same names. */
    SessionDraft spread(Settings settings) {
        for (RecordComponent each : Settings.class.getRecordComponents()) {
            put(each.getName(), call(each, settings));
        }
        return this;
    }

    @SuppressWarnings("unchecked")
    List<Cue> cues() {
        return (List<Cue>) values[PLACES.get("cues")];
    }

    Session make() {
        try {
            return MAKE.newInstance(values);
        } catch (InvocationTargetException refused) {
            throw asIs(refused.getCause());
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static Constructor<Session> constructor() {
        try {
            return Session.class.getDeclaredConstructor(
                    Arrays.stream(COMPONENTS).map(RecordComponent::getType).toArray(Class<?>[]::new));
        } catch (NoSuchMethodException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static Object call(RecordComponent component, Object of) {
        try {
            return component.getAccessor().invoke(of);
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static RuntimeException asIs(Throwable thrown) {
        return thrown instanceof RuntimeException known ? known : new IllegalStateException(thrown);
    }
}
