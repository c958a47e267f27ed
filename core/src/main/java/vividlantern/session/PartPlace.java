package vividlantern.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import vividlantern.basics.PartList;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;

/**
 * Where the parts of a kind stand in a session.
 *
 * @param shape how many there are, and how
 * @param field the component of {@link Session} that holds them, by its name; "" if its parts are spread over the session
 * @param id what names a part among those of its kind
 * @param idFields the fields of a part of which its id is made, in their order, with a stroke between them
 * @param order where a part stands among those of its kind; those that stand at one place stand in the order of their ids
 * @param orderField the field that says so, "" if it is the id
 * @param most how many a session holds at most, as far as many are held
 * @param plural what several are called
 */
record PartPlace<T extends Part>(
        PartShape shape,
        String field,
        Function<Session, ?> all,
        Function<T, ?> id,
        List<String> idFields,
        ToDoubleFunction<T> order,
        String orderField,
        int most,
        String plural) {

    static PartPlace<Settings> spread() {
        return single(PartShape.SPREAD, "", Session::settings);
    }

    static <T extends Part> PartPlace<T> one(String field, Function<Session, T> part) {
        return single(PartShape.ONE, field, part);
    }

    static <T extends Part> PartPlace<T> oneOrNone(String field, Function<Session, Optional<T>> part) {
        return single(PartShape.ONE_OR_NONE, field, part);
    }

    private static <T extends Part> PartPlace<T> single(PartShape shape, String field, Function<Session, ?> part) {
        return new PartPlace<>(shape, field, part, each -> "", List.of(), each -> 0, "", 1, field);
    }

    /** In the order of their ids. */
    static <T extends Part> PartPlace<T> many(
            String field, Function<Session, List<T>> all, Function<T, ?> id, String... idFields) {
        return new PartPlace<>(
                PartShape.MANY, field, all, id, List.of(idFields), each -> 0, "", Integer.MAX_VALUE, field);
    }

    static PartPlace<Send> withinCues() {
        return new PartPlace<>(
                PartShape.WITHIN_CUES,
                "cues",
                Session::cues,
                Send::trackId,
                List.of("trackId"),
                each -> 0,
                "",
                Integer.MAX_VALUE,
                "sends");
    }

    PartPlace<T> by(String newOrderField, ToDoubleFunction<T> newOrder) {
        return new PartPlace<>(shape, field, all, id, idFields, newOrder, newOrderField, most, plural);
    }

    PartPlace<T> atMost(int newMost, String newPlural) {
        return new PartPlace<>(shape, field, all, id, idFields, order, orderField, newMost, newPlural);
    }

    /** A list in its order, whose members are also found by their ids. */
    List<T> inOrder(List<T> list) {
        if (list instanceof PartList) {
            return list;
        }
        Comparator<T> byOrder = Comparator.comparingDouble(order);
        return PartList.of(
                list.stream()
                        .sorted(byOrder.thenComparing(each -> id.apply(each).toString()))
                        .toList(),
                id);
    }

    /** Tells each part with its id. */
    void walk(Session session, BiConsumer<String, Part> found) {
        walk(all.apply(session), found);
    }

    /** The same, without what another state of the session has as the very same object. */
    void walkUnlike(Session session, Session other, BiConsumer<String, Part> found) {
        if (all.apply(session) instanceof List<?> here && all.apply(other) instanceof List<?> there) {
            Set<Object> same = Collections.newSetFromMap(new IdentityHashMap<>());
            same.addAll(there);
            walk(here.stream().filter(each -> !same.contains(each)).toList(), found);
        } else {
            walk(session, found);
        }
    }

    @SuppressWarnings("unchecked")
    private void walk(Object there, BiConsumer<String, Part> found) {
        switch (shape) {
            case SPREAD, ONE -> found.accept("", (Part) there);
            case ONE_OR_NONE -> ((Optional<Part>) there).ifPresent(part -> found.accept("", part));
            case MANY ->
                ((List<T>) there)
                        .forEach(part -> found.accept(
                                id.apply(part).toString(), part instanceof Cue cue ? cue.withSends(List.of()) : part));
            case WITHIN_CUES ->
                ((List<Cue>) there)
                        .forEach(cue ->
                                cue.sends().forEach(send -> found.accept(cue.id() + "/" + send.trackId(), send)));
        }
    }

    /** The part with a key, if it is there. Sends, which are many, are found by their cue and track. */
    Optional<Part> find(Session session, PartKey key) {
        if (shape == PartShape.WITHIN_CUES) {
            return session.find(key.cue()).flatMap(cue -> cue.send(key.track())).map(Part.class::cast);
        }
        List<Part> found = new ArrayList<>(1);
        walk(session, (each, part) -> {
            if (each.equals(key.id())) {
                found.add(part);
            }
        });
        return found.stream().findFirst();
    }

    /** Puts the parts of this kind, by their ids, where they stand. */
    void put(Map<PartKey, Part> parts, SessionDraft draft) {
        List<Part> values = new ArrayList<>(parts.values());
        switch (shape) {
            case SPREAD -> draft.spread((Settings) values.get(0));
            case ONE -> draft.put(field, values.get(0));
            case ONE_OR_NONE -> draft.put(field, values.stream().findFirst());
            case MANY -> draft.put(field, values);
            case WITHIN_CUES -> {
                Map<CueId, List<Send>> sends = parts.entrySet().stream()
                        .collect(Collectors.groupingBy(
                                each -> each.getKey().cue(),
                                Collectors.mapping(each -> (Send) each.getValue(), Collectors.toList())));
                List<Cue> cues = draft.cues();
                draft.put(
                        field,
                        cues.stream()
                                .map(cue -> cue.withSends(sends.getOrDefault(cue.id(), List.of())))
                                .toList());
            }
        }
    }

    /** Whether two states of a session surely have the same parts of this kind. */
    boolean isUntouched(Session before, Session after) {
        return all.apply(before) == all.apply(after);
    }

    int count(Session session) {
        return all.apply(session) instanceof List<?> list ? list.size() : 1;
    }
}
