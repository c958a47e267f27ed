package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.rig.Rig;
import vividlantern.session.Part;
import vividlantern.session.PartKind;
import vividlantern.session.Session;

/**
 * How the parts of a kind are changed, and how one is checked that comes from a document.
 *
 * @param families the edits that change them
 */
record PartEdits<T extends Part>(PartKind kind, Check<T> check, List<Class<? extends Edit>> families) {

    static final List<PartEdits<?>> ALL = List.of(
            new PartEdits<>(PartKind.SETTINGS, SessionEdit::check, List.of(SessionEdit.class)),
            new PartEdits<>(PartKind.CLICK, SongEdit::check, List.of(SongEdit.class)),
            new PartEdits<>(PartKind.TEMPO_MAP, TempoEdit::check, List.of(TempoEdit.class, BarsEdit.class)),
            new PartEdits<>(PartKind.PERFORMER, PerformerEdit::check, List.of(PerformerEdit.class)),
            new PartEdits<>(PartKind.MARKER, MarkerEdit::check, List.of(MarkerEdit.class)),
            new PartEdits<>(PartKind.INPUT, InputEdit::check, List.of(InputEdit.class)),
            new PartEdits<>(PartKind.TRACK, TrackCheck::check, List.of(TrackEdit.class)),
            new PartEdits<>(PartKind.CUE, CueEdit::check, List.of(CueEdit.class)),
            new PartEdits<>(PartKind.SEND, SendEdit::check, List.of(SendEdit.class)),
            new PartEdits<>(PartKind.ACKNOWLEDGEMENT, AcknowledgementEdit::check, List.of(AcknowledgementEdit.class)),
            new PartEdits<>(PartKind.VIEW, ViewEdit::check, List.of(ViewEdit.class)),
            new PartEdits<>(PartKind.GROUP, TrackGroupEdit::check, List.of(TrackGroupEdit.class)),
            new PartEdits<>(PartKind.BRING, BringEdit::check, List.of(BringEdit.class)),
            new PartEdits<>(PartKind.SONG, SongEdit::checkEntry, List.of()),
            new PartEdits<>(PartKind.DIRECT, DirectEdit::check, List.of(DirectEdit.class)),
            new PartEdits<>(PartKind.MONITORING, MonitoringEdit::check, List.of(MonitoringEdit.class)),
            new PartEdits<>(PartKind.CONTROL_ROOM, ControlRoomEdit::check, List.of(ControlRoomEdit.class)),
            new PartEdits<>(PartKind.WORN, WornEdit::check, List.of(WornEdit.class)),
            new PartEdits<>(PartKind.CHAINS, ChainEdit::check, List.of(ChainEdit.class)),
            new PartEdits<>(PartKind.WAY, WayEdit::check, List.of(WayEdit.class)),
            new PartEdits<>(PartKind.BACKING, BackingEdit::check, List.of(BackingEdit.class)));

    /** Refuses a part that no edit would have let in. */
    @FunctionalInterface
    interface Check<T> {
        void require(T part, Session session, Rig rig);
    }

    /** All families of edits; each is a sealed interface. */
    static Stream<Class<? extends Edit>> allFamilies() {
        return ALL.stream().flatMap(each -> each.families().stream());
    }

    @SuppressWarnings("unchecked")
    void require(Session session, Rig rig) {
        kind.all(session).forEach(part -> check.require((T) part, session, rig));
    }
}
