package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.ANNA;
import static vividlantern.session.edit.HarpAndFlute.CUE;
import static vividlantern.session.edit.HarpAndFlute.FLUTE;
import static vividlantern.session.edit.HarpAndFlute.HARP;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.List;
import java.util.Optional;
import vividlantern.session.DirectLevel;
import vividlantern.session.Monitoring.Purpose;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.DirectEdit.SetDirectPan;
import vividlantern.session.edit.MonitoringEdit.SetEarMaximum;
import vividlantern.session.edit.MonitoringEdit.SetPurpose;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.PerformerEdit.SetEarDistance;
import vividlantern.session.edit.PerformerEdit.SetPerformerPlace;
import vividlantern.session.edit.PerformerEdit.SetPlays;
import vividlantern.session.edit.TrackEdit.SetShift;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** An example of every edit of what is heard past the engine, and of how late it may be. */
final class MonitoringExamples {

    private MonitoringExamples() {}

    static Object[][] edits() {
        return new Object[][] {
            row(
                    new SetDirectLevel(CUE, HARP, Decibels.of(-3)),
                    "Input 1, Harp: direct to Anna −3.0 dB",
                    session -> session.direct(CUE, HARP),
                    Optional.of(new DirectLevel(CUE, HARP, Decibels.of(-3), Pan.CENTRE))),
            row(
                    new SetDirectLevel(CUE, FLUTE, Decibels.OFF),
                    "Input 2, Flute: direct to Anna off",
                    Session::direct,
                    List.of()),
            row(
                    new SetDirectPan(CUE, FLUTE, Pan.of(1)),
                    "Input 2, Flute: direct in Anna, pan right 100 %",
                    Session::direct,
                    List.of(new DirectLevel(CUE, FLUTE, Decibels.of(-9), Pan.of(1)))),
            row(
                    new SetTolerance(SourceKind.VOICE, 3.14),
                    "Monitoring: voice up to 3.1 ms late",
                    session -> session.monitored().toleranceMs(SourceKind.VOICE),
                    3.1),
            row(
                    new SetEarMaximum(94.4),
                    "Monitoring: up to 94 dB SPL at any ear",
                    session -> session.monitored().earMaximum(),
                    94.0),
            row(new SetPurpose(Purpose.MIX), "Session: buffer to mix", Session::bufferFrames, 1024),
            row(
                    new SetShift(HARP_TRACK, 33),
                    "Harp: heard 33 frames later",
                    session -> session.find(HARP_TRACK).orElseThrow().shiftFrames(),
                    33),
            row(
                    new SetPlays(ANNA, Optional.of(SourceKind.WIND)),
                    "Performer: Anna plays wind",
                    session -> session.find(ANNA).orElseThrow().plays(),
                    Optional.of(SourceKind.WIND)),
            row(
                    new SetPerformerPlace(ANNA, "hall"),
                    "Performer: Anna's place is hall",
                    session -> session.find(ANNA).orElseThrow().place(),
                    "hall"),
            row(
                    new SetEarDistance(ANNA, 2.5),
                    "Performer: Anna is 2.5 m from the speaker",
                    session -> session.find(ANNA).orElseThrow().metres(),
                    2.5),
        };
    }
}
