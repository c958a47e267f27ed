package vividlantern.server.live;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.ears.Exposure;
import vividlantern.ears.OutletNote;
import vividlantern.ears.WayToEars;
import vividlantern.engine.CueLoudness;
import vividlantern.engine.Stay;
import vividlantern.format.Documents;
import vividlantern.loudness.EarLevel;
import vividlantern.mix.Lights;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.ShownLevels;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.RigTurned;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;

/** Shows pages how loud things are: 25 times a second, as far as somebody looks. */
@Component
class LevelSender {

    private static final long EVERY_MILLIS = 40;

    private final LiveRig rig;
    private final LivePages pages;
    private final RigDesk rigs;
    private final StandIns standIns;
    private Beat beat;
    private final ShownLevels shownLevels = new ShownLevels();
    private MixState metered;
    private MixPlan shown;
    private final CueLoudness loudness = new CueLoudness();
    private List<CueId> loud = List.of();
    private Lights lights;
    private int layout;
    private volatile boolean clearClips;
    private List<Ear> ears = List.of();
    private List<CueId> earsFor = List.of();
    private Session eared;
    private Rig earedAt;
    private volatile boolean outletsTurned;
    private List<PortId> outlets = List.of();

    /** An ear whose level is shown. */
    private record Ear(CueId cue, WayToEars way) {

        /** Its level in dB SPL, A-weighted, now and over a minute; and after how many minutes at that the limit of a day is reached. */
        private List<String> keys() {
            return Stream.of("ear/", "exposure/")
                    .map(what -> what + cue + "/" + way.performer())
                    .toList();
        }

        private float[] values(CueLoudness loudness) {
            float now = spl(loudness.atEars(cue).map(EarLevel::shortTerm));
            float minute = spl(loudness.atEars(cue).map(EarLevel::minute));
            float left = (float) Exposure.minutes(minute);
            return new float[] {now, minute, left, left};
        }

        private float spl(Optional<Double> level) {
            return level.flatMap(way::spl).map(Double::floatValue).orElse(Float.NEGATIVE_INFINITY);
        }
    }

    LevelSender(LiveRig rig, LivePages pages, RigDesk rigs, StandIns standIns) {
        this.rig = rig;
        this.pages = pages;
        this.rigs = rigs;
        this.standIns = standIns;
    }

    @PostConstruct
    void begin() {
        beat = new Beat("levels", EVERY_MILLIS, this::send);
    }

    /** Forgets the clips that were counted, and how high inputs came in. */
    void clearClips() {
        clearClips = true;
    }

    private void send() {
        List<LivePage> looking = pages.of(rig::sounds);
        if (looking.isEmpty()) {
            return;
        }
        SessionId id = looking.get(0).session();
        try {
            Stay stay = rig.at(id);
            MixState state = stay.state();
            MixPlan plan = state.plan();
            if (state != metered || plan != shown) {
                metered = state;
                shown = plan;
                lights = lights == null
                        ? new Lights(stay.session(), stay.rig(), stay.live(), state)
                        : lights.then(stay.session(), stay.rig(), stay.live(), state);
                layout += shownLevels.follow(lights, state.meters()) ? 1 : 0;
            }
            if (clearClips) {
                clearClips = false;
                shownLevels.clearClips();
                stay.played().forget();
                stay.heardCues().forget();
            }
            loudness.read(stay.tape(), stay.session().sampleRate(), stay.cueOutputs(), atEars());
            if (!loudness.cues().equals(loud)) {
                loud = loudness.cues();
                layout++;
            }
            List<Ear> heard = ears(stay.session(), stay.rig());
            if (!heard.equals(ears)) {
                ears = heard;
                layout++;
            }
            List<StandIns.OutletLevel> jacks = standIns.outletLevels();
            List<PortId> found =
                    jacks.stream().map(StandIns.OutletLevel::outlet).toList();
            if (!found.equals(outlets)) {
                outlets = found;
                layout++;
            }
            float[] values = values(shownLevels.take(), jacks);
            if (stay.live().playing()) {
                stay.played().take(stay.session(), lights, shownLevels);
                stay.heardCues().take(stay.session(), lights, shownLevels, loudness);
            }
            for (LivePage page : looking) {
                if (page.learns(layout)) {
                    page.text(Documents.write(Map.of("type", "meters", "layout", layout, "keys", keys())));
                }
                page.levels(LiveFrames.meters(
                        layout, stay.session().sampleRate(), shownLevels.frame(), stay.place(), values));
            }
        } catch (Refused | NotFound takenAwayMeanwhile) {
            metered = null;
        }
    }

    private float[] values(float[] levels, List<StandIns.OutletLevel> jacks) {
        float[] values = Arrays.copyOf(levels, levels.length + 2 * loud.size() + 4 * ears.size() + 4 * jacks.size());
        int at = levels.length;
        System.arraycopy(loudness.values(), 0, values, at, 2 * loud.size());
        at += 2 * loud.size();
        for (Ear ear : ears) {
            System.arraycopy(ear.values(loudness), 0, values, at, 4);
            at += 4;
        }
        for (StandIns.OutletLevel jack : jacks) {
            values[at++] = jack.leftDb();
            values[at++] = jack.leftDb();
            values[at++] = jack.rightDb();
            values[at++] = jack.rightDb();
        }
        return values;
    }

    private List<String> keys() {
        return Stream.of(
                        shownLevels.keys().stream(),
                        loud.stream().map(cue -> "loudness/" + cue),
                        ears.stream().flatMap(ear -> ear.keys().stream()),
                        outlets.stream()
                                .flatMap(outlet ->
                                        Stream.of("outlet/" + outlet + "/left", "outlet/" + outlet + "/right")))
                .flatMap(each -> each)
                .toList();
    }

    private Set<CueId> atEars() {
        return ears.stream().map(Ear::cue).collect(Collectors.toSet());
    }

    /** Somebody noted how an outlet is turned. */
    @EventListener
    public void follow(RigTurned change) {
        outletsTurned = true;
    }

    /** Those whose level at the ear is known, for each of the cues whose loudness is. */
    private List<Ear> ears(Session session, Rig rig) {
        if (session == eared && rig == earedAt && earsFor.equals(loud) && !outletsTurned) {
            return ears;
        }
        outletsTurned = false;
        eared = session;
        earedAt = rig;
        earsFor = loud;
        List<OutletNote> notes = rigs.outlets(rig.id());
        List<Ear> found = new ArrayList<>();
        for (CueId cue : loud) {
            session.find(cue)
                    .ifPresent(heard -> WayToEars.of(heard, session, rig, notes).stream()
                            .filter(way -> way.unknown().isEmpty())
                            .forEach(way -> found.add(new Ear(cue, way))));
        }
        return found;
    }

    @PreDestroy
    void close() {
        beat.close();
    }
}
