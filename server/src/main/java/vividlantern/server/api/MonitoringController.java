package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.engine.Incidents;
import vividlantern.engine.Stay;
import vividlantern.hardware.Duty;
import vividlantern.hardware.RunningAlong;
import vividlantern.mix.ControlRoomStanding;
import vividlantern.mix.LiveState;
import vividlantern.patch.Ports;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.TimingDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.ControlRoom;
import vividlantern.session.Monitoring;
import vividlantern.session.OpenMics;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.SourceKind;
import vividlantern.session.TrackId;
import vividlantern.timing.BufferChoices;
import vividlantern.timing.CablePorts;
import vividlantern.timing.CableRun;
import vividlantern.timing.Drift;
import vividlantern.timing.Loopback;
import vividlantern.timing.MeasuredLatency;
import vividlantern.timing.OwnWays;
import vividlantern.timing.PerformerTiming;
import vividlantern.timing.Timing;
import vividlantern.timing.TwoMicCheck;

/** Who hears themselves by which way, how late, and what the interface really takes. */
@RestController
class MonitoringController {

    /** How late a kind of source may be heard, and what is usual. */
    record KindTolerance(SourceKind source, String words, double ms, double usualMs) {}

    /**
     * How late everybody hears themselves.
     *
     * @param reportedFrames the round trip as the driver says
     * @param notReported what was measured and adopted beyond that, in frames
     * @param measured what was measured at this rate
     * @param measuredWords the same in words, "" if nothing was measured
     * @param cable between which ports a cable may be plugged to measure
     * @param mics the tracks of which two can be compared
     * @param stale whether that was with another buffer or another driver
     */
    record TimingSheet(
            String device,
            int sampleRate,
            int bufferFrames,
            Monitoring monitoring,
            int reportedFrames,
            double notReported,
            Optional<MeasuredLatency> measured,
            String measuredWords,
            boolean stale,
            List<PerformerTiming> performers,
            BufferChoices buffers,
            List<KindTolerance> tolerances,
            CablePorts cable,
            List<TrackId> mics) {}

    /** How a performer shall hear themselves. */
    record WantedWays(PerformerId performer, boolean direct, boolean engine) {}

    /**
     * A cable to be measured over.
     *
     * @param aware whether somebody said that it may be loud at the output
     */
    record WantedLoopback(
            PortId output,
            PortId input,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean aware) {}

    /** What a measurement found, in words and numbers. */
    record FoundLoopback(
            Loopback.Verdict verdict, String sentence, double frames, List<Double> runs, double signalToNoiseDb) {}

    /** Which measurement counts. */
    record WantedAdoption(String device, int sampleRate, boolean adopted) {}

    /**
     * How much of their time blocks took within the last minute.
     *
     * @param histogram how many blocks took how much, in bins of {@code binWidth}, the last one all above
     * @param typical the share that half of them did not exceed
     * @param worst the largest share; above 1 a block came too late
     * @param lateBlocks how many blocks came late since the session took the rig
     * @param missedMs how much sound was left out since
     * @param clocks the interfaces on clocks of their own, once their drift is known
     */
    record LoadNow(
            long blocks,
            List<Long> histogram,
            double binWidth,
            double typical,
            double worst,
            long lateBlocks,
            double missedMs,
            List<OtherClock> clocks) {}

    /**
     * An interface on a clock of its own, which is resampled.
     *
     * @param ppm by how many parts in a million it is faster, as measured
     * @param msASong by how much what plays there is off after five minutes
     * @param delayMs by how much it comes in later than at the leading interface
     */
    record OtherClock(String name, double ppm, double msASong, double delayMs) {}

    /**
     * The control room.
     *
     * @param settings how it is set up; as it begins where nothing was set
     * @param rooms where speakers can stand: the control room, and the rooms that performers' places speak of
     * @param outputs the pairs by whose sides a test signal can leave
     * @param mainOutputs the pairs on which the main speakers can hang
     */
    record ControlRoomSheet(
            ControlRoom settings,
            List<String> rooms,
            ControlRoomStanding standing,
            List<StereoPair> outputs,
            List<StereoPair> mainOutputs) {}

    private final Desk desk;
    private final RigDesk rigs;
    private final LiveRig live;
    private final TimingDesk timings;
    private final TasksController tasks;

    MonitoringController(Desk desk, RigDesk rigs, LiveRig live, TimingDesk timings, TasksController tasks) {
        this.desk = desk;
        this.rigs = rigs;
        this.live = live;
        this.timings = timings;
        this.tasks = tasks;
    }

    /** How late everybody hears themselves, and what each buffer would do. */
    @GetMapping("/api/sessions/{session}/timing")
    TimingSheet timing(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        Timing timing = timings.timing(open, rig, state(open));
        Optional<MeasuredLatency> measured = MeasuredLatency.of(rigs.measured(rig.id()), rig, open.sampleRate());
        Monitoring monitoring = open.monitored();
        return new TimingSheet(
                rig.leadingInterface().map(Device::name).orElse(""),
                open.sampleRate(),
                open.bufferFrames(),
                monitoring,
                rig.leadingInterface()
                        .map(Device::latency)
                        .orElse(LatencyProfile.NONE)
                        .roundTripFrames(open.bufferFrames()),
                timings.notReported(open, rig),
                measured,
                measured.map(each -> each.newest().words()).orElse(""),
                measured.filter(each -> each.isStale(rig, open.bufferFrames())).isPresent(),
                timing.performers(),
                timings.buffers(open, rig, timing, live.incidents(open.id())),
                Arrays.stream(SourceKind.values())
                        .map(kind ->
                                new KindTolerance(kind, kind.words(), monitoring.toleranceMs(kind), kind.toleranceMs()))
                        .toList(),
                CablePorts.of(open, rig),
                TwoMicCheck.offered(open));
    }

    private LiveState state(Session open) {
        return live.isAtTheRig(open.id()) ? live.at(open.id()).live() : LiveState.STOPPED;
    }

    /** How the control room is set up, and what follows from it. */
    @GetMapping("/api/sessions/{session}/control-room")
    ControlRoomSheet controlRoom(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        return new ControlRoomSheet(
                open.inControlRoom(),
                OpenMics.rooms(open),
                ControlRoomStanding.of(open, rig, state(open)),
                ControlRoomStanding.outputs(rig),
                Ports.forMain(open, rig));
    }

    /** The edits that let a performer hear themselves direct, through the engine, or both. */
    @PostMapping("/api/sessions/{session}/ways")
    OwnWays.ProposedWays ways(@PathVariable String session, @RequestBody WantedWays wanted) {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        return OwnWays.proposal(
                open,
                rig,
                state(open),
                timings.notReported(open, rig),
                wanted.performer(),
                wanted.direct(),
                wanted.engine());
    }

    /** Measures over a cable; takes some seconds. What can be trusted is kept beside the rig. */
    @PostMapping("/api/live/{session}/loopback")
    FoundLoopback loopback(
            @PathVariable String session,
            @RequestBody WantedLoopback wanted,
            @RequestParam(defaultValue = "") String task)
            throws IOException {
        Stay stay = live.at(desk.session(new SessionId(session)).id());
        CableRun run = tasks.run(
                task, progress -> CableRun.of(stay, wanted.output(), wanted.input(), wanted.aware(), progress));
        run.measured()
                .ifPresent(measured -> rigs.keep(
                        stay.rig().id(),
                        stay.rig().leadingInterface().orElseThrow().id(),
                        stay.session().sampleRate(),
                        measured));
        Loopback found = run.found();
        return new FoundLoopback(
                found.verdict(), run.sentence(), found.frames(), found.runs(), found.signalToNoiseDb());
    }

    /** Listens to two tracks for a moment: by how much one hears their source later, which way round, what their sum gains or loses. */
    @GetMapping("/api/live/{session}/two-mics")
    TwoMicCheck twoMics(@PathVariable String session, @RequestParam String first, @RequestParam String second) {
        Stay stay = live.at(desk.session(new SessionId(session)).id());
        return TwoMicCheck.of(stay, new TrackId(first), new TrackId(second));
    }

    /** What was measured of a rig's interfaces. */
    @GetMapping("/api/rigs/{rig}/measured-latency")
    List<MeasuredLatency> measured(@PathVariable String rig) {
        return rigs.measured(new RigId(rig));
    }

    /** Lets what was measured count, or the driver again. */
    @PostMapping("/api/rigs/{rig}/measured-latency")
    List<MeasuredLatency> adopt(@PathVariable String rig, @RequestBody WantedAdoption wanted) {
        RigId id = new RigId(rig);
        rigs.adopt(id, wanted.device(), wanted.sampleRate(), wanted.adopted());
        return rigs.measured(id);
    }

    private static List<OtherClock> clocks(Stay stay) {
        double delayMs = 1000.0 * RunningAlong.DELAY_FRAMES / stay.session().sampleRate();
        return stay.device().drifts().entrySet().stream()
                .map(drift -> new OtherClock(
                        stay.rig().device(drift.getKey()).name(),
                        drift.getValue(),
                        Drift.msAfterFiveMinutes(drift.getValue()),
                        delayMs))
                .toList();
    }

    /** How much of their time blocks take at the rig. */
    @GetMapping("/api/live/{session}/load")
    LoadNow load(@PathVariable String session) {
        Stay stay = live.at(desk.session(new SessionId(session)).id());
        Duty.Reading reading = stay.device().duty().reading(System.nanoTime());
        List<Incidents.Incident> incidents = stay.incidents().newestFirst();
        return new LoadNow(
                reading.blocks(),
                reading.histogram(),
                Duty.BIN_WIDTH,
                reading.typical(),
                reading.worst(),
                incidents.stream().mapToLong(Incidents.Incident::lateBlocks).sum(),
                incidents.stream().mapToDouble(Incidents.Incident::missedMs).sum(),
                clocks(stay));
    }
}
