package aperta.core.render;

import aperta.core.ink.InkField;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Stroke;
import java.util.List;

/** Which place along which stroke each place of a layer belongs to. */
final class InkPlaces implements Step.Made<InkField> {
    private final Inks.Ink ink;
    private final double cell;
    private final ContentKey key;

    /** @param cell how large cells are, in the layer's pixels */
    InkPlaces(Inks.Ink ink, double cell) {
        this.ink = ink;
        this.cell = cell;
        ContentKey.Builder k =
                ContentKey.of("ink-places").numbers(ink.shape().numbers()).number(cell);
        for (Stroke s : ink.strokes()) {
            k.numbers(numbers(s.line()));
        }
        this.key = k.key();
    }

    private static double[] numbers(BezierPath path) {
        double[] all = new double[7 * path.knots().size()];
        int n = 0;
        for (BezierPath.Knot k : path.knots()) {
            all[n++] = k.at().x();
            all[n++] = k.at().y();
            all[n++] = k.in().x();
            all[n++] = k.in().y();
            all[n++] = k.out().x();
            all[n++] = k.out().y();
            all[n++] = k.feather();
        }
        return all;
    }

    List<Stroke> strokes() {
        return ink.strokes();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return Region.EVERYWHERE;
    }

    /** The whole of it, whatever is needed: it doesn't depend on the raster. */
    @Override
    public InkField make(Region needed, Making making) {
        return InkField.of(ink.shape(), ink.strokes().stream().map(Stroke::line).toList(), cell);
    }

    @Override
    public long bytes(InkField result) {
        return result.bytes();
    }
}
