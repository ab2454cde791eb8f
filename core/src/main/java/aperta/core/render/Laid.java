package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Heads;
import aperta.core.outline.Outline;
import aperta.core.outline.Stroking;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.shot.Coat;
import aperta.core.shot.PathLength;
import java.util.List;
import java.util.Optional;

/** How much of each pixel is covered by what a coat lays along paths, each piece as strong as it is. */
final class Laid implements MadeMatte {
    /** What of a coat is laid. */
    enum Part {
        /** What is filled, or the line itself. */
        BAND,
        /** What runs at the drawing ends. */
        HEADS
    }

    private final Optional<Traced> found;
    private final List<Heads.Head> known;
    private final Coat coat;
    private final Part part;
    private final Affine map;
    private final Region domain;
    private final ContentKey key;

    private Laid(Optional<Traced> found, List<Heads.Head> known, Coat coat, Part part, Affine map, Box bounds) {
        this.found = found;
        this.known = known;
        this.coat = coat;
        this.part = part;
        this.map = map;
        this.domain = Region.around(map.apply(bounds).grown(1));
        ContentKey.Builder k = ContentKey.of("laid")
                .text(part.name())
                .numbers(new double[] {map.a(), map.b(), map.c(), map.d(), map.e(), map.f()});
        known.forEach(h -> k.numbers(h.outline().numbers()).number(h.strength()));
        found.ifPresent(t -> coat(k.step(t), coat));
        this.key = k.key();
    }

    /** All by which coats differ that lay other bands and heads. */
    static void coat(ContentKey.Builder key, Coat coat) {
        if (!(coat instanceof Coat.Stroke stroke)) {
            return;
        }
        key.number((long) stroke.cap().ordinal())
                .number((long) stroke.corner().ordinal())
                .number((long) stroke.pacing().turns().ordinal())
                .number((long) stroke.pacing().order().ordinal())
                .number(stroke.pacing().seed())
                .text(stroke.rider().map(Coat.Rider::toString).orElse(""))
                .numbers(stroke.dash().stream().mapToDouble(d -> d).toArray());
        for (Coat.Measure m : Coat.Measure.values()) {
            key.number(stroke.fixed(m));
        }
    }

    /**
     * The line or the filling of a coat.
     *
     * @param map from the paths to raster pixels
     */
    static Step.Shades band(Lines lines, Coat coat, Affine map) {
        if (lines instanceof Lines.Known known) {
            return new Covered(band(known.paths(), coat).transformed(map));
        }
        return found((Lines.Found) lines, coat, Part.BAND, map);
    }

    /** What runs at the drawing ends of a stroke. */
    static Step.Shades heads(Lines lines, Coat.Stroke stroke, Affine map) {
        if (lines instanceof Lines.Known known) {
            List<Heads.Head> heads = Heads.of(known.paths(), stroke);
            Box box = Box.EMPTY;
            for (Heads.Head h : heads) {
                box = box.union(h.outline().bounds());
            }
            return new Laid(Optional.empty(), heads, stroke, Part.HEADS, map, box);
        }
        return found((Lines.Found) lines, stroke, Part.HEADS, map);
    }

    private static Laid found(Lines.Found lines, Coat coat, Part part, Affine map) {
        double reach = 0;
        if (coat instanceof Coat.Stroke stroke) {
            reach = Math.max(Stroking.reach(stroke), stroke.fixed(Coat.Measure.HEAD));
        }
        return new Laid(
                Optional.of(lines.traced()),
                List.of(),
                coat,
                part,
                map,
                lines.bounds().grown(reach));
    }

    /** What a coat covers of the paths' own space. */
    static Outline band(List<PathLength> paths, Coat coat) {
        if (coat instanceof Coat.Stroke stroke) {
            return Stroking.of(paths, stroke);
        }
        Outline outline = Outline.NOTHING;
        for (PathLength path : paths) {
            outline = outline.and(Outline.of(path.path()));
        }
        return outline;
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
        return found.<List<Step>>map(List::of).orElse(List.of());
    }

    @Override
    public Matte make(Region needed, Making making) {
        List<Heads.Head> pieces = known;
        if (found.isPresent()) {
            List<PathLength> paths = making.made(found.get());
            pieces = part == Part.BAND
                    ? List.of(new Heads.Head(band(paths, coat), 1))
                    : Heads.of(paths, (Coat.Stroke) coat);
        }
        Matte all = new Matte(needed);
        for (Heads.Head piece : pieces) {
            Outline inRaster = piece.outline().transformed(map);
            Region there = Region.around(inRaster.bounds()).intersect(needed);
            if (!there.isEmpty()) {
                MatteMath.add(all.view(there), Coverage.of(inRaster, there, making.bands()), (float) piece.strength());
            }
        }
        return all;
    }
}
