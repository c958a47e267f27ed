package vividlantern.template;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.TrackWay;

/**
 * A session to begin others from, with whatever parts it has, and what its ports and pairs are called where it was kept, so
 * that another rig's can be found by their names.
 *
 * @param page how the page showed it; empty if nobody said so
 */
public record Template(
        TemplateId id,
        About about,
        List<PortName> ports,
        List<PairName> pairs,
        Session session,
        Optional<PageState> page) {

    /**
     * How the page showed the session.
     *
     * @param columns the columns of the input list that were shown, in their order
     * @param folded the folders of tracks that were folded
     * @param step the step that was open last
     */
    public record PageState(List<String> columns, List<String> folded, String step) {

        private static final int MOST = 500;

        public PageState {
            if (columns.size() > MOST || folded.size() > MOST) {
                throw new Refused("A page shows at most " + MOST + " columns and folders.", "page");
            }
            columns.forEach(column -> Texts.optional(column, "page"));
            folded.forEach(folder -> Texts.optional(folder, "page"));
            Texts.optional(step, "page");
        }
    }

    /** What a card shows. */
    public record About(String title, String description, List<String> tags, Picture picture) {

        private static final int MOST_TAGS = 12;
        private static final int LONGEST_TAG = 40;

        public About {
            title = Texts.name(title, "A template", "title");
            description = Texts.optional(description, "description");
            tags = tags.stream()
                    .map(String::strip)
                    .filter(tag -> !tag.isEmpty())
                    .map(tag -> tag.substring(0, Math.min(LONGEST_TAG, tag.length())))
                    .distinct()
                    .limit(MOST_TAGS)
                    .toList();
        }
    }

    /** The small pictures that a card can have. */
    public enum Picture {
        LANTERN,
        MIC,
        STRINGS,
        BRASS,
        DRUM,
        KEYS,
        VOICES,
        BOAT
    }

    /** What a port was called. */
    public record PortName(PortId port, String name) {}

    /** What an output pair was called. */
    public record PairName(PairId pair, String name) {}

    /**
     * Keeps a session as a template. What is only so for the moment is left out: inputs that are cut, and what was said of
     * findings; what belongs to the song: its place in a song list, and what its backing tracks play.
     *
     * @param withoutNames whether performers are called by numbers
     */
    public static Template of(
            TemplateId id, About about, Session session, Rig rig, boolean withoutNames, Optional<PageState> page) {
        Session kept = Parts.coming(session, PartKind.Goes.INTO_TEMPLATES, session.id())
                .withInputs(
                        session.inputs().stream().map(input -> input.cut(false)).toList())
                .withPerformers(withoutNames ? numbered(session.performers()) : session.performers());
        List<PairName> pairs = Stream.of(
                        session.main().output().stream(),
                        session.cues().stream().flatMap(cue -> cue.outputs().stream()),
                        session.ways().stream()
                                .flatMap(way -> way.outs().stream())
                                .map(TrackWay.Out::pair))
                .flatMap(each -> each)
                .distinct()
                .flatMap(pair -> rig.pair(pair).map(found -> new PairName(pair, found.houseLabel())).stream())
                .toList();
        return new Template(id, about, names(session, rig), pairs, kept, page);
    }

    /** What the ports that a session speaks of are called. */
    static List<PortName> names(Session session, Rig rig) {
        return Stream.concat(
                        session.inputs().stream().flatMap(input -> input.ports().stream()),
                        session.tracks().stream()
                                .flatMap(track -> track.feeds().stream())
                                .map(Feed::port)
                                .flatMap(Optional::stream))
                .distinct()
                .map(port -> new PortName(port, rig.label(port)))
                .toList();
    }

    private static List<Performer> numbered(List<Performer> performers) {
        List<Performer> numbered = new ArrayList<>();
        for (Performer performer : performers) {
            int number = numbered.size() + 1;
            numbered.add(performer.called("Performer " + number, "P" + number));
        }
        return numbered;
    }

    /** The same under another id. */
    public Template as(TemplateId newId) {
        return new Template(newId, about, ports, pairs, session, page);
    }

    /** The same under another title. */
    public Template called(String title) {
        About named = new About(title, about.description(), about.tags(), about.picture());
        return new Template(id, named, ports, pairs, session, page);
    }

    /** Whether nothing of it was plugged anywhere; then everything of it wants a place. */
    boolean isUnplugged() {
        return session.inputs().stream().allMatch(input -> input.ports().isEmpty())
                && session.cues().stream().allMatch(cue -> cue.output().isEmpty());
    }

    /** What the ports of an input were called. */
    List<String> names(Input input) {
        return input.ports().stream().map(this::name).toList();
    }

    String name(PortId port) {
        return name(ports, port);
    }

    static String name(List<PortName> ports, PortId port) {
        return ports.stream()
                .filter(each -> each.port().equals(port))
                .map(PortName::name)
                .findFirst()
                .orElse("");
    }

    String name(PairId pair) {
        return pairs.stream()
                .filter(each -> each.pair().equals(pair))
                .map(PairName::name)
                .findFirst()
                .orElse("");
    }
}
