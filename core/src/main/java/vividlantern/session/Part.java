package vividlantern.session;

/** One thing of a session that can change by itself; the unit of undo, of conflicts and of what is stored. */
public sealed interface Part
        permits Settings,
                Performer,
                Input,
                Track,
                Cue,
                Send,
                ClickPattern,
                TempoMap,
                Marker,
                Acknowledgement,
                TrackView,
                TrackGroup,
                BringLine,
                SongEntry,
                DirectLevel,
                Backing,
                ControlRoom,
                Monitoring {}
