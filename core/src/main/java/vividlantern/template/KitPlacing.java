package vividlantern.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.patch.Fit;
import vividlantern.rig.Rig;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chains;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.PerformerEdit.SetEarDistance;
import vividlantern.session.edit.PerformerEdit.SetPlays;

/**
 * A kit put into a session: its tracks and inputs at the end, with ids of their own and names that nobody has yet; ports by
 * {@link Fit}; sends into the cue of the same performers.
 *
 * @param session the session with the kit in it
 * @param fitted where its inputs go
 * @param cues where its sends go
 * @param missing the performers of its inputs who are not in the session
 * @param words what else is to be known, a sentence each
 */
public record KitPlacing(
        Session session, Fit.Fitted fitted, List<CueMeeting> cues, List<String> missing, List<String> words) {

    /**
     * What somebody said about how a kit goes in.
     *
     * @param cues which cue of the session the sends to a cue of the kit go into; empty for none
     * @param performers whether performers who are missing are added
     */
    public record Answers(Map<CueId, Optional<CueId>> cues, boolean performers) {

        public static final Answers NONE = new Answers(Map.of(), false);
    }

    /**
     * Where the sends to one cue of the kit go.
     *
     * @param cue the kit's cue
     * @param listeners who listened to it
     * @param into the session's cue; empty if there is none like it, and somebody has to say
     */
    public record CueMeeting(CueId cue, String name, List<String> listeners, Optional<CueId> into) {}

    public static KitPlacing of(Kit kit, Session into, Rig rig, Answers answers) {
        return new Placing(kit, into, rig, answers).place();
    }

    private static final class Placing {

        private final Kit kit;
        private final Rig rig;
        private final Session before;
        private Session session;
        private final Map<InputId, InputId> inputs = new HashMap<>();
        private final Map<TrackId, TrackId> tracks = new LinkedHashMap<>();
        private final Map<InputId, List<String>> wishes = new LinkedHashMap<>();
        private final Set<String> missing = new LinkedHashSet<>();
        private final List<String> words = new ArrayList<>();
        private final Answers answers;

        private Placing(Kit kit, Session into, Rig rig, Answers answers) {
            this.kit = kit;
            this.rig = rig;
            this.answers = answers;
            before = into;
            session = into;
        }

        private KitPlacing place() {
            kit.session().inputs().forEach(this::add);
            double position =
                    session.tracks().stream().mapToDouble(Track::position).max().orElse(0);
            for (Track track : inOrderOfNeed()) {
                position++;
                add(track, position);
            }
            kit.session().groups().forEach(this::add);
            kit.session().chains().forEach(this::add);
            kit.session().ways().forEach(this::add);
            List<CueMeeting> meetings =
                    kit.session().cues().stream().map(this::meeting).toList();
            meetings.forEach(meeting -> meeting.into().ifPresent(id -> send(meeting.cue(), id)));
            Edit.requireRoom(before, session);
            Fit.Fitted fitted = Fit.of(session, rig, new Fit.Wishes(wishes, Map.of()));
            return new KitPlacing(
                    Edit.applyAll(fitted.edits(), session, rig), fitted, meetings, List.copyOf(missing), words);
        }

        private void add(Input input) {
            InputId id = new InputId(Parts.freshId(session, PartKind.INPUT, input.source()));
            int number = freeNumber();
            String source = Texts.apart(
                    input.source(),
                    name -> session.inputs().stream()
                            .anyMatch(each -> each.source().equalsIgnoreCase(name)));
            inputs.put(input.id(), id);
            wishes.put(id, kit.names(input));
            Optional<PerformerId> player = performer(input, source);
            session = session.plus(input.as(id, number, source).playedBy(player).patchedTo(List.of()));
        }

        /** The number after the last one, or, if there is none any more, the first that nobody has. */
        private int freeNumber() {
            Set<Integer> taken = session.inputs().stream().map(Input::number).collect(Collectors.toSet());
            int last = taken.stream().mapToInt(Integer::intValue).max().orElse(0);
            return IntStream.concat(IntStream.of(last + 1), IntStream.rangeClosed(1, Input.HIGHEST_NUMBER))
                    .filter(number -> number <= Input.HIGHEST_NUMBER && !taken.contains(number))
                    .findFirst()
                    .orElseThrow(
                            () -> new Refused("A session holds at most " + Input.HIGHEST_NUMBER + " inputs.", "kit"));
        }

        private Optional<PerformerId> performer(Input input, String source) {
            return input.performer().flatMap(kit.session()::find).flatMap(player -> {
                if (SameCue.performer(before, player.name()).isEmpty()) {
                    missing.add(player.name());
                }
                Optional<PerformerId> found = SameCue.performer(session, player.name());
                if (found.isPresent()) {
                    return found;
                }
                if (answers.performers()) {
                    return Optional.of(add(player));
                }
                words.add(player.name() + " is not in this session, so nobody plays " + source + " yet.");
                return Optional.empty();
            });
        }

        private PerformerId add(Performer player) {
            PerformerId id = new PerformerId(Parts.freshId(session, PartKind.PERFORMER, player.name()));
            session = Edit.applyAll(
                    List.of(
                            new AddPerformer(id, player.name(), player.place()),
                            new SetPlays(id, player.plays()),
                            new SetEarDistance(id, player.metres())),
                    session,
                    rig);
            return id;
        }

        /** Wide tracks come before what is split from them. */
        private List<Track> inOrderOfNeed() {
            List<Track> all = new ArrayList<>(kit.session().tracks());
            List<Track> splits =
                    all.stream().filter(track -> track.splitFrom().isPresent()).toList();
            all.removeAll(splits);
            splits.forEach(split -> all.add(1 + lastOf(all, split.splitFrom().orElseThrow()), split));
            return all;
        }

        private static int lastOf(List<Track> all, TrackId wide) {
            int last = 0;
            for (int at = 0; at < all.size(); at++) {
                if (all.get(at).id().equals(wide) || all.get(at).splitFrom().equals(Optional.of(wide))) {
                    last = at;
                }
            }
            return last;
        }

        private void add(Track track, double position) {
            TrackId id = new TrackId(Parts.freshId(session, PartKind.TRACK, track.name()));
            String name = Texts.apart(
                    track.name(),
                    taken -> session.tracks().stream()
                            .anyMatch(each -> each.name().equalsIgnoreCase(taken)));
            tracks.put(track.id(), id);
            session = session.plus(track.as(id)
                    .named(name)
                    .at(position)
                    .soloed(false)
                    .fedBy(track.feeds().stream().map(this::here).toList()));
        }

        private Feed here(Feed feed) {
            return feed.input()
                    .map(input -> Feed.from(inputs.get(input), feed.channel()))
                    .or(() -> feed.track().map(track -> Feed.from(tracks.get(track), feed.channel())))
                    .orElseGet(() -> kit.known(feed, rig));
        }

        private void add(TrackGroup group) {
            TrackGroupId id = new TrackGroupId(Parts.freshId(session, PartKind.GROUP, group.name()));
            String name = Texts.apart(
                    group.name(),
                    taken -> session.groups().stream()
                            .anyMatch(each -> each.name().equalsIgnoreCase(taken)));
            List<TrackGroup> all = new ArrayList<>(session.groups());
            all.add(new TrackGroup(
                    id, name, group.tracks().stream().map(tracks::get).toList(), group.links()));
            session = session.withGroups(all);
        }

        private void add(Chains chains) {
            List<Chains> all = new ArrayList<>(session.chains());
            all.add(chains.of(tracks.get(chains.track())));
            session = session.withChains(all);
        }

        private void add(TrackWay way) {
            List<TrackWay> all = new ArrayList<>(session.ways());
            List<TrackWay.Into> sends = way.sends().stream()
                    .map(send -> new TrackWay.Into(tracks.get(send.into()), send.tap(), send.level()))
                    .toList();
            TrackWay here =
                    new TrackWay(tracks.get(way.track()), way.to(), way.sum().map(tracks::get)).sending(sends);
            if (!here.saysNothing()) {
                all.add(here);
            }
            session = session.withWays(all);
        }

        private CueMeeting meeting(Cue cue) {
            List<String> listeners = SameCue.listeners(kit.session(), cue);
            Optional<CueId> into = answers.cues().containsKey(cue.id())
                    ? answers.cues().get(cue.id()).filter(id -> session.find(id).isPresent())
                    : SameCue.in(session, cue.name(), listeners);
            return new CueMeeting(cue.id(), cue.name(), listeners, into);
        }

        private void send(CueId from, CueId into) {
            for (Send send : kit.session().find(from).map(Cue::sends).orElse(List.of())) {
                TrackId track = tracks.get(send.trackId());
                session = session.change(into, cue -> cue.withSend(track, each -> send.ofTrack(track)));
            }
            List<DirectLevel> direct = new ArrayList<>(session.direct());
            kit.session().direct().stream()
                    .filter(each -> each.cue().equals(from))
                    .forEach(each ->
                            direct.add(new DirectLevel(into, inputs.get(each.input()), each.level(), each.pan())));
            session = session.withDirect(direct);
        }
    }
}
