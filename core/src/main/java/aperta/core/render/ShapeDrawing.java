package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.PathLength;
import java.util.List;
import java.util.Optional;

/** Paths with their coats of paint. */
final class ShapeDrawing implements Drawing<Content.Shape> {
    @Override
    public Optional<Step.Paints> picture(Content.Shape shape, Subject subject, Canvas canvas) {
        return Coats.of(shape.coats(), new Lines.Known(paths(shape)), subject.toRaster(), canvas);
    }

    static List<PathLength> paths(Content.Shape shape) {
        return shape.paths().stream()
                .map(p -> new PathLength(p.path().at(0, BezierPath.MIX)))
                .toList();
    }

    @Override
    public List<Outline> written(Content.Shape shape, Measures measures) {
        List<PathLength> paths = paths(shape);
        Outline all = Outline.NOTHING;
        for (Coat coat : shape.coats()) {
            all = all.and(Laid.band(paths, coat));
        }
        return all.isEmpty() ? List.of() : List.of(all);
    }

    @Override
    public Box extent(Content.Shape shape, Measures measures) {
        return new Lines.Known(paths(shape)).bounds();
    }

    @Override
    public Box reach(Content.Shape shape, Measures measures) {
        double reach = shape.coats().stream().mapToDouble(Coats::reach).max().orElse(0);
        return extent(shape, measures).grown(reach);
    }
}
