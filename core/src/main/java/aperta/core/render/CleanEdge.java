package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/**
 * A picture cut by a figure's coverage, whose edge is cleaned of the background: where a pixel belongs to the figure in part,
 * the rest of its colour is taken from inside of the figure nearby, rather than from what was behind it. Common practice, no
 * source.
 */
final class CleanEdge implements Step.Paints {
    /** Where less of the inside is near than this, there is nothing to take. */
    private static final float LEAST = 1e-4f;

    private final Step.Paints picture;
    private final Step.Shades coverage;
    private final Step.Paints inside;
    private final ContentKey key;

    /** @param inside of the figure alone, blurred by as far as its colours are taken from */
    CleanEdge(Step.Paints picture, Step.Shades coverage, Step.Paints inside) {
        this.picture = picture;
        this.coverage = coverage;
        this.inside = inside;
        this.key = ContentKey.of("clean edge")
                .step(picture)
                .step(coverage)
                .step(inside)
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return picture.domain().intersect(coverage.domain());
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture, coverage, inside);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        tile.withMatte(coverage, into.domain(), m -> {
            if (coverage.cover(into.domain(), tile) == Cover.SOME) {
                tile.withPicture(inside, into.domain(), p -> clean(into, m, p));
            }
            Compose.inside(into, m);
        });
    }

    private static void clean(Picture into, Matte coverage, Picture inside) {
        Region d = into.domain();
        float[][] to = into.planes();
        float[][] from = inside.planes();
        float[] covered = coverage.values();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            int m = coverage.index(d.x(), y);
            int p = inside.index(d.x(), y);
            for (int x = 0; x < d.width(); x++, at++, m++, p++) {
                float a = covered[m];
                float near = from[3][p];
                if (a <= 0 || a >= 1 || near < LEAST) {
                    continue;
                }
                for (int c = 0; c < 3; c++) {
                    float own = from[c][p] / near * to[3][at];
                    to[c][at] += (1 - a) * (own - to[c][at]);
                }
            }
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile).times(coverage.cover(part, tile));
    }
}
