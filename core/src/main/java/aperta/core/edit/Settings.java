package aperta.core.edit;

import aperta.core.shot.Format;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;

/** Name, format and shutter of a shot. Layers stay where they are. */
public record Settings(String name, Format format, Shutter shutter) implements Edit {
    @Override
    public Shot apply(Shot shot, Extents extents) {
        return new Shot(
                name, format, shot.length(), shot.layers(), shot.markers(), shot.work(), shutter, shot.accepted());
    }
}
