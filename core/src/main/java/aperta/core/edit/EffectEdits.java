package aperta.core.edit;

import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;

/** Edits of effects and textures by their handles on the picture. */
public final class EffectEdits {
    private EffectEdits() {}

    /**
     * Moves a handle to a point of the shot: a point so that it lies there, an angle so that its arm points there, by the shorter way
     * round. As a resting value, or as a key where there are keys or one is asked for.
     */
    public record MoveHandle(String layer, String property, long frame, Point to, boolean key) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Moment moment = new Moment(shot, frame, extents.opener());
            Point there = PlaceEdits.toOwn(moment, layer).apply(to);
            Spots.Spot spot = Spots.of(now, extents.extent(moment, layer)).stream()
                    .filter(s -> s.property().equals(property))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "'" + property + "' of '" + now.name() + "' has no handle on the picture."));
            Object value = spot.turns() ? turned(now, there.minus(spot.base())) : there.minus(spot.base());
            return new KeyEdits.SetValue(layer, property, frame, value, key).apply(shot, extents);
        }

        private double turned(Layer now, Point arm) {
            Property<?> angle = Property.named(now, property);
            Object was = angle.get().apply(now).rest();
            double next = Math.toDegrees(StrictMath.atan2(arm.y(), arm.x()));
            return (Double) was + Math.IEEEremainder(next - (Double) was, 360);
        }
    }
}
