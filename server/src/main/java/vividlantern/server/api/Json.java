package vividlantern.server.api;

import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.media.Schema;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import vividlantern.format.Documents;
import vividlantern.format.InputListImport;
import vividlantern.format.KitDocument;
import vividlantern.format.Schemas;
import vividlantern.format.SettingDocument;
import vividlantern.format.TemplateDocument;
import vividlantern.mix.CueCurve;
import vividlantern.mix.TrackStanding;
import vividlantern.patch.AtRate;
import vividlantern.patch.BringList;
import vividlantern.patch.MapAnew;
import vividlantern.patch.OfferedFeeds;
import vividlantern.preamp.CableMove;
import vividlantern.preamp.InputStanding;
import vividlantern.preamp.ToASpare;
import vividlantern.preamp.Turned;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.Wiring;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.desk.UndoState;
import vividlantern.server.live.Command;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.KeptStore;
import vividlantern.server.store.SnapshotStore;
import vividlantern.session.Session;
import vividlantern.session.SongOutline;
import vividlantern.template.Comparison;
import vividlantern.timing.TwoMicCheck;

/** Requests and answers are written as {@link Documents} are, and described as {@link Schemas} reads them off the records. */
@Configuration
class Json {

    @Bean
    JsonMapperBuilderCustomizer documents() {
        return Documents::configure;
    }

    @Bean
    OpenApiCustomizer schemas() {
        return api -> {
            Schemas schemas = new Schemas("#/components/schemas/");
            schemas.add(Rig.class);
            schemas.add(RigsController.ListedRig.class);
            schemas.add(RigsController.MicKind.class);
            schemas.add(RigsController.NewRig.class);
            schemas.add(RigsController.WantedRigEdits.class);
            schemas.add(RigsController.ProposedRigEdits.class);
            schemas.add(RigsController.WantedLabels.class);
            schemas.add(RigsController.WantedPairs.class);
            schemas.add(RigsController.WantedTies.class);
            schemas.add(RigsController.WantedTogether.class);
            schemas.add(RigsController.CopyName.class);
            schemas.add(RigsController.KeptCopy.class);
            schemas.add(RigsController.Difference.class);
            schemas.add(MappingController.WantedTracks.class);
            schemas.add(MappingController.WantedTracksOf.class);
            schemas.add(MappingController.WantedSplit.class);
            schemas.add(MappingController.SelectedTracks.class);
            schemas.add(MappingController.Stroke.class);
            schemas.add(MappingController.WantedCue.class);
            schemas.add(TemplatesController.WantedTemplate.class);
            schemas.add(TemplatesController.Card.class);
            schemas.add(TemplateDesk.FitOfRig.class);
            schemas.add(TemplatesController.FromTemplate.class);
            schemas.add(TemplatesController.Begun.class);
            schemas.add(TemplateDocument.class);
            schemas.add(KitDocument.class);
            schemas.add(SettingDocument.class);
            schemas.add(MapAnew.Proposal.class);
            schemas.add(RigsController.Loss.class);
            schemas.add(MappingController.Found.class);
            schemas.add(PreampsController.WantedGains.class);
            schemas.add(PreampsController.WantedSpare.class);
            schemas.add(PreampsController.WantedPorts.class);
            schemas.add(ToASpare.Move.class);
            schemas.add(CableMove.MovedCable.class);
            schemas.add(Turned.class);
            schemas.add(Session.class);
            schemas.add(SessionsController.ListedSession.class);
            schemas.add(SessionsController.NewSession.class);
            schemas.add(SessionsController.WantedEdits.class);
            schemas.add(SessionsController.Changed.class);
            schemas.add(SessionsController.FreshId.class);
            schemas.add(BinController.Binned.class);
            schemas.add(TemplatesController.NewName.class);
            schemas.add(Wiring.Picture.class);
            schemas.add(Wiring.FarEnd.class);
            schemas.add(InputStanding.class);
            schemas.add(TrackStanding.class);
            schemas.add(SessionsController.Offers.class);
            schemas.add(HistoryController.LogLine.class);
            schemas.add(KitsController.WantedKit.class);
            schemas.add(KitsController.KitCard.class);
            schemas.add(KitsController.CueAnswer.class);
            schemas.add(KitsController.WantedPlacing.class);
            schemas.add(KitsController.PlacedKit.class);
            schemas.add(KitsController.WantedSetting.class);
            schemas.add(KitsController.SettingCard.class);
            schemas.add(KitsController.WantedCopy.class);
            schemas.add(SnapshotsController.SnapshotName.class);
            schemas.add(SnapshotsController.SnapshotCue.class);
            schemas.add(SnapshotsController.WantedRestore.class);
            schemas.add(SnapshotStore.ListedSnapshot.class);
            schemas.add(SongsController.ListedSong.class);
            schemas.add(SongsController.WantedSong.class);
            schemas.add(SongsController.WantedPlace.class);
            schemas.add(BundlesController.BundleContents.class);
            schemas.add(TemplatesController.WantedFit.class);
            schemas.add(TemplatesController.FitSheet.class);
            schemas.add(TemplatesController.WantedVersion.class);
            schemas.add(KeptStore.KeptVersion.class);
            schemas.add(Comparison.Compared.class);
            schemas.add(InputListController.Selected.class);
            schemas.add(InputListController.WantedTrack.class);
            schemas.add(InputListController.Proposed.class);
            schemas.add(InputListImport.Preview.class);
            schemas.add(BringList.Item.class);
            schemas.add(AtRate.Lost.class);
            schemas.add(OfferedFeeds.OfferedFeed.class);
            schemas.add(LiveRig.Happening.class);
            schemas.add(CueCurve.CurvePoint.class);
            schemas.add(UndoState.class);
            schemas.add(CopiesController.ListedCopy.class);
            schemas.add(LiveController.Happened.class);
            schemas.add(MonitoringController.TimingSheet.class);
            schemas.add(MonitoringController.WantedWays.class);
            schemas.add(MonitoringController.WantedLoopback.class);
            schemas.add(MonitoringController.FoundLoopback.class);
            schemas.add(MonitoringController.WantedAdoption.class);
            schemas.add(MonitoringController.LoadNow.class);
            schemas.add(MonitoringController.ControlRoomSheet.class);
            schemas.add(SongOutline.class);
            schemas.add(ClickController.SongPreview.class);
            schemas.add(ClickController.Taps.class);
            schemas.add(ClickController.FoundTempo.class);
            schemas.add(MediaDesk.TakenIn.class);
            schemas.add(TwoMicCheck.class);
            schemas.addKinds(Command.class, Command.kinds());
            Components components = new Components();
            schemas.named()
                    .forEach((name, schema) ->
                            components.addSchemas(name, Json31.mapper().convertValue(schema, Schema.class)));
            api.setComponents(components);
            api.setServers(null);
        };
    }
}
