package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Heads;
import aperta.core.picture.Compose;
import aperta.core.picture.Displacement;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.PathLength;
import java.util.List;
import java.util.Optional;

/** A picture laid at each drawing end of a stroke, as strong as the head is there. */
final class Riders implements Step.Made<Picture>, Step.Paints {
    /** How many pixels of the picture lie along one of the raster, so that it stays sharp between pixels. */
    static final int FINER = 2;

    private final Step.Paints picture;
    private final Lines lines;
    private final Coat.Stroke stroke;
    private final Affine map;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param picture with its middle at the origin, of the size that it has at a drawing end, finer than the raster
     * @param stroke whose values are fixed
     * @param map from the paths to raster pixels
     */
    Riders(Step.Paints picture, Lines lines, Coat.Stroke stroke, Affine map) {
        this.picture = picture;
        this.lines = lines;
        this.stroke = stroke;
        this.map = map;
        Region r = picture.domain();
        Box around = new Box(r.x(), r.y(), r.right(), r.bottom());
        double reach = around.isEmpty()
                ? 0
                : around.corners().stream()
                                .mapToDouble(p -> p.minus(Point.ORIGIN).length())
                                .max()
                                .orElse(0)
                        / FINER;
        Box ends;
        ContentKey.Builder k = ContentKey.of("riders").step(picture).map(map);
        if (lines instanceof Lines.Known known) {
            List<Heads.End> all = Heads.ends(known.paths(), stroke);
            all.forEach(end -> k.numbers(new double[] {
                end.at().x(), end.at().y(), end.along().x(), end.along().y(), end.strength()
            }));
            ends = Box.around(all.stream().map(Heads.End::at).toList());
            k.number(stroke.rider().orElseThrow().turns() ? 1L : 0L);
        } else {
            ends = lines.bounds();
            Laid.coat(k.step(((Lines.Found) lines).traced()), stroke);
        }
        this.domain =
                r.isEmpty() ? Region.NOTHING : Region.around(map.apply(ends).grown(reach + 2));
        this.key = k.key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return domain;
    }

    @Override
    public List<Step> inputs() {
        return lines instanceof Lines.Found found ? List.of(picture, found.traced()) : List.of(picture);
    }

    /** All of the picture, wherever it is laid. */
    @Override
    public Region needs(int input, Region wanted) {
        return inputs().get(input).domain();
    }

    @Override
    public Picture make(Region needed, Making making) {
        List<PathLength> paths =
                lines instanceof Lines.Found found ? making.made(found.traced()) : ((Lines.Known) lines).paths();
        Picture all = new Picture(needed);
        return making.painted(picture, picture.domain(), p -> {
            for (Heads.End end : Heads.ends(paths, stroke)) {
                lay(all, p, end, making);
            }
            return all;
        });
    }

    private void lay(Picture all, Picture rider, Heads.End end, Making making) {
        Point along = map.applyVector(end.along());
        double degrees =
                stroke.rider().orElseThrow().turns() ? StrictMath.toDegrees(StrictMath.atan2(along.y(), along.x())) : 0;
        Point at = map.apply(end.at());
        Affine place = Affine.rotation(degrees).then(Affine.translation(at.x(), at.y()));
        Region r = rider.domain();
        Box box = new Box(r.x(), r.y(), r.right(), r.bottom());
        Affine whole = Affine.scale(1.0 / FINER, 1.0 / FINER).then(place);
        Region there = Region.around(whole.apply(box).grown(1)).intersect(all.domain());
        if (there.isEmpty()) {
            return;
        }
        Affine back = place.inverse().orElseThrow();
        Picture laid = Displacement.of(
                rider,
                FINER,
                there,
                Displacement.Ways.each((x, y, to) -> {
                    Point from = back.apply(new Point(x, y));
                    to[0] = from.x();
                    to[1] = from.y();
                }),
                Optional.empty(),
                Float.MAX_VALUE,
                Border.EMPTY,
                making.bands());
        Compose.fade(laid, (float) end.strength());
        Compose.over(all.view(there), laid, BlendMode.NORMAL);
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        tile.ifMade(this).ifPresent(p -> Compose.copy(into, p));
    }
}
