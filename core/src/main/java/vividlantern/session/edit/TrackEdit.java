package vividlantern.session.edit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Look;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Changes of a track. */
public sealed interface TrackEdit extends Edit {

    TrackId track();

    /** An edit of fields of one track that is there. */
    sealed interface OfOne extends TrackEdit {

        /** The track with the change made. */
        Track of(Track was);

        /** What it does, in the user's words, without the track's name. */
        String words();

        @Override
        default Session applyTo(Session session, Rig rig) {
            Rules.known(session, track());
            return session.change(track(), this::of);
        }

        @Override
        default String summary(Session session, Rig rig) {
            return Rules.name(session, track()) + ": " + words();
        }
    }

    /** Adds a track at the end, fed channel by channel as given; missing channels are fed by nothing. */
    record AddTrack(TrackId track, String name, int width, List<Feed> feeds) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            if (width < 1 || width > Track.MAX_WIDTH) {
                throw new Refused("A track has 1 to 8 channels; " + width + " is not possible.", "width");
            }
            Rules.ofKind(rig, Track.Role.INPUT, feeds);
            return session.plus(Track.forInputs(
                    track,
                    Rules.lastPosition(session),
                    Texts.name(name, "A track", "name"),
                    width,
                    Rules.feeds(session, rig, feeds, width)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": track added";
        }
    }

    /** Adds an instrument track at the end, for one or more outputs of a sound module. */
    record AddInstrument(TrackId track, String name, List<PortId> outputs) implements TrackEdit {

        public AddInstrument {
            outputs = List.copyOf(outputs);
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            if (outputs.isEmpty() || outputs.size() > Track.MAX_WIDTH) {
                throw new Refused(
                        "An instrument track has 1 to " + Track.MAX_WIDTH + " outputs of a sound module.", "outputs");
            }
            List<Feed> feeds = outputs.stream().map(Feed::from).toList();
            Rules.ofKind(rig, Track.Role.INSTRUMENT, feeds);
            return session.plus(Track.forInstrument(
                    track, Rules.lastPosition(session), Texts.name(name, "A track", "name"), feeds));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": instrument track added";
        }
    }

    /** Adds a click track at the end, for a voice of the click. It is off on the speakers and in no cue yet. */
    record AddClick(TrackId track, String name, VoiceId voice) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            if (session.click().voices().stream().noneMatch(each -> each.id().equals(voice))) {
                throw new Refused("The click has no voice '" + voice + "'.", "voice");
            }
            return session.plus(
                    Track.forClick(track, Rules.lastPosition(session), Texts.name(name, "A track", "name"), voice));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": click track added";
        }
    }

    /**
     * Adds a mono or stereo track, after a wide one, that makes some of its channels heard. It is not recorded.
     *
     * @param channel the first of the wide track's channels, from 0
     * @param width 1 or 2
     */
    record AddSplit(TrackId track, TrackId from, String name, int channel, int width) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            Track wide = Rules.known(session, from);
            if (!wide.isWide()) {
                throw new Refused(wide.name() + " is not a wide track; there is nothing to split.", "from");
            }
            if (width < 1 || width > 2 || channel < 0 || channel + width > wide.width()) {
                throw new Refused(
                        "A split has one or two of the wide track's " + wide.width() + " channels, counted from 0.",
                        "channel");
            }
            List<Feed> feeds = IntStream.range(channel, channel + width)
                    .mapToObj(each -> Feed.from(from, each))
                    .toList();
            Session with = session.plus(
                    Track.forSplit(track, Rules.lastPosition(session), Texts.name(name, "A track", "name"), feeds));
            return Positions.placed(with, track, placeAfter(session, wide));
        }

        /** Behind the wide track and the splits of it that are there. */
        private static int placeAfter(Session session, Track wide) {
            int last = session.tracks().indexOf(wide);
            for (int at = last + 1; at < session.tracks().size(); at++) {
                if (session.tracks().get(at).splitFrom().equals(Optional.of(wide.id()))) {
                    last = at;
                }
            }
            return last + 1;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": split from " + Rules.name(session, from);
        }
    }

    /** Takes a track out, with every send of it and every track that is split from it. What goes into a sum goes where that went. */
    record RemoveTrack(TrackId track) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!session.canBeWithout(Rules.known(session, track))) {
                throw new Refused("The click's last track stays; turn its sends off instead.", "track");
            }
            List<TrackId> gone = session.tracks().stream()
                    .filter(each -> each.id().equals(track) || each.splitFrom().equals(Optional.of(track)))
                    .map(Track::id)
                    .toList();
            return WayEdit.past(session, track)
                    .withoutOtherTracks(session.tracks().stream()
                            .filter(each -> !gone.contains(each.id()))
                            .toList())
                    .withCues(session.cues().stream()
                            .map(cue -> withoutSends(cue, gone))
                            .toList());
        }

        private static Cue withoutSends(Cue cue, List<TrackId> tracks) {
            Cue without = cue;
            for (TrackId id : tracks) {
                without = without.withoutSend(id);
            }
            return without;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": track removed";
        }
    }

    /** Names a track. */
    record RenameTrack(TrackId track, String name) implements OfOne {

        @Override
        public Track of(Track was) {
            String named = Texts.name(name, "A track", "name");
            return was.named(named);
        }

        @Override
        public String words() {
            return "renamed to " + name;
        }
    }

    /** Puts a track in front of another one, or at the end. */
    record MoveTrack(TrackId track, Optional<TrackId> before) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            before.ifPresent(id -> Rules.known(session, id));
            if (before.equals(Optional.of(track))) {
                return session;
            }
            List<TrackId> others = session.tracks().stream()
                    .map(Track::id)
                    .filter(each -> !each.equals(track))
                    .toList();
            return Positions.placed(session, track, before.map(others::indexOf).orElse(others.size()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": moved";
        }
    }

    /** Says what feeds a track, channel by channel. */
    record FeedTrack(TrackId track, List<Feed> feeds) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Track was = Rules.known(session, track);
            if (was.isClick()) {
                throw new Refused("A click track is fed by the click.", "feeds");
            }
            if (was.isBacking()) {
                throw new Refused(was.name() + " plays a sound from a file; nothing feeds it.", "feeds");
            }
            if (was.isSum()) {
                throw new Refused(was.name() + " is a sum; tracks go into it by their ways.", "feeds");
            }
            if (was.isReturn()) {
                throw new Refused(was.name() + " is a return, fed by what tracks send into it.", "feeds");
            }
            if (was.role() == Track.Role.SPLIT) {
                throw new Refused(
                        was.name() + " is split from a wide track and follows what feeds that. Feed the wide track.",
                        "feeds");
            }
            Rules.ofKind(rig, was.role(), feeds);
            List<Feed> fed = Rules.feeds(session, rig, feeds, was.width());
            return session.change(track, each -> each.fedBy(fed));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": fed by " + Rules.words(session, rig, feeds);
        }
    }

    /** Arms a track or takes the arm off. Whether it is heard is another switch. */
    record ArmTrack(TrackId track, boolean armed) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Track of = Rules.known(session, track);
            if (of.isBacking()) {
                throw new Refused(of.name() + " plays a sound from a file; there is nothing to record.", "track");
            }
            if (of.gathers()) {
                throw new Refused(of.name() + " is heard and not recorded. Arm the tracks that go into it.", "track");
            }
            if (of.role() == Track.Role.SPLIT) {
                throw new Refused(
                        of.name() + " is heard, not recorded. Arm the wide track that it is split from.", "track");
            }
            return session.change(track, each -> each.armed(armed));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + (armed ? "armed" : "not armed");
        }
    }

    /** Says when a track passes its live input on to listeners. */
    record SetHear(TrackId track, Hear hear) implements OfOne {

        @Override
        public Track of(Track was) {
            if (was.isBacking()) {
                throw new Refused(was.name() + " plays a sound from a file; it is heard whenever that plays.", "hear");
            }
            if (was.gathers()) {
                throw new Refused(was.name() + " is heard as far as its tracks are.", "hear");
            }
            return was.heard(hear);
        }

        @Override
        public String words() {
            return "hear " + hear;
        }
    }

    /** Sets a track's level before the fader, heard by everybody. */
    record SetTrim(TrackId track, Decibels level) implements OfOne {

        @Override
        public Track of(Track was) {
            Decibels set = Rules.fader(level, "A trim");
            return was.trimmed(set);
        }

        @Override
        public String words() {
            return "trim " + level;
        }
    }

    /**
     * Lets a track be heard later by so many frames, up to 50 ms at the session's rate: the nearer of two mics, so that both are
     * in line. The recording stays as it is.
     */
    record SetShift(TrackId track, int frames) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Track shifted = Rules.known(session, track);
            int most = (int) Math.floor(Track.MOST_SHIFT_SECONDS * session.sampleRate());
            if (shifted.isPlayed()) {
                throw new Refused(
                        shifted.name() + " is where the song has it; it is not shifted. Move it there.", "track");
            }
            if (frames < 0 || frames > most) {
                throw new Refused("A track is shifted by 0 to " + most + " frames; " + frames + " is not.", "frames");
            }
            return session.change(track, each -> each.shifted(frames));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": "
                    + (frames == 0 ? "heard without a shift" : "heard " + frames + " frames later");
        }
    }

    /** Turns a track's polarity over, or back. */
    record SetPolarity(TrackId track, boolean flipped) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.flipped(flipped);
        }

        @Override
        public String words() {
            return "polarity " + (flipped ? "flipped" : "normal");
        }
    }

    /** Sets a track's level in the main mix. */
    record SetFader(TrackId track, Decibels level) implements OfOne {

        @Override
        public Track of(Track was) {
            Decibels set = Rules.fader(level, "A fader");
            return was.faded(set);
        }

        @Override
        public String words() {
            return "fader " + level;
        }
    }

    /** Places a track in the main mix. */
    record SetPan(TrackId track, Pan pan) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.panned(pan);
        }

        @Override
        public String words() {
            return "pan " + pan;
        }
    }

    /** Silences a track on the speakers, or lets it back. */
    record MuteTrack(TrackId track, boolean muted) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.muted(muted);
        }

        @Override
        public String words() {
            return muted ? "muted" : "mute off";
        }
    }

    /** Leaves only the soloed tracks on the speakers. No cue knows of it. */
    record SoloTrack(TrackId track, boolean soloed) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.soloed(soloed);
        }

        @Override
        public String words() {
            return soloed ? "soloed" : "solo off";
        }
    }

    /** Keeps a track on the speakers while others are soloed. */
    record SetSoloSafe(TrackId track, boolean soloSafe) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.soloSafe(soloSafe);
        }

        @Override
        public String words() {
            return soloSafe ? "solo-safe" : "not solo-safe";
        }
    }

    /** Gives a track a colour to be found by. */
    record SetTrackColour(TrackId track, Look.Colour colour) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.looking(was.look().in(colour));
        }

        @Override
        public String words() {
            return "colour " + colour.name().toLowerCase(Locale.ROOT);
        }
    }

    /** Gives a track a mark to be found by. */
    record SetTrackMark(TrackId track, Look.Mark mark) implements OfOne {

        @Override
        public Track of(Track was) {
            return was.looking(was.look().with(mark));
        }

        @Override
        public String words() {
            return "mark " + mark.name().toLowerCase(Locale.ROOT);
        }
    }

    /** Puts a track into a folder, by the folder's name; "" takes it out of any. */
    record SetTrackFolder(TrackId track, String folder) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            String named = Texts.optional(folder, "folder");
            return session.change(track, each -> each.looking(each.look().inFolder(named)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + (folder.isBlank() ? ": in no folder" : ": in the folder " + folder);
        }
    }

    /** Takes a track out of sight on the page, or shows it again. It sounds as before. */
    record HideTrack(TrackId track, boolean hidden) implements TrackEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            return session.change(track, each -> each.looking(each.look().hidden(hidden)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + (hidden ? ": hidden" : ": shown");
        }
    }
}
