package vividlantern;

import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.Shelf;

/** Devices of the shelf under ids and names of a test's own. */
public final class ShelfDevices {

    private ShelfDevices() {}

    public static AddDevice device(String model, String id, String name) {
        AddDevice found = Shelf.devices().stream()
                .filter(each -> each.device().equals(model))
                .findFirst()
                .orElseThrow();
        return new AddDevice(
                id,
                name,
                found.deviceKind(),
                found.fullScaleDbu(),
                found.latency(),
                found.clock(),
                found.driftPpm(),
                found.runs());
    }
}
