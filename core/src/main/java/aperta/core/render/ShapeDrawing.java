package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.outline.Stroking;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Paths with their coats of paint. */
final class ShapeDrawing implements Drawing<Content.Shape> {
    @Override
    public Optional<Step.Paints> picture(Content.Shape shape, Subject subject, Canvas canvas) {
        List<BezierPath> paths = paths(shape);
        List<Stack.Entry> all = new ArrayList<>();
        for (int i = shape.coats().size() - 1; i >= 0; i--) {
            Coat coat = shape.coats().get(i);
            Outline outline = outline(paths, coat);
            if (!outline.isEmpty()) {
                Step.Paints filled = Filled.of(
                        outline,
                        subject.toRaster(),
                        coat.paint(),
                        coat.opacity().at(0, Mix.NUMBER),
                        canvas.light());
                all.add(new Stack.Entry(filled, BlendMode.NORMAL));
            }
        }
        return switch (all.size()) {
            case 0 -> Optional.empty();
            case 1 -> Optional.of(all.get(0).picture());
            default -> Optional.of(new Stack(all));
        };
    }

    private static Outline outline(List<BezierPath> paths, Coat coat) {
        if (coat instanceof Coat.Stroke stroke) {
            return Stroking.of(paths, stroke);
        }
        Outline outline = Outline.NOTHING;
        for (BezierPath path : paths) {
            outline = outline.and(Outline.of(path));
        }
        return outline;
    }

    private static List<BezierPath> paths(Content.Shape shape) {
        return shape.paths().stream().map(p -> p.path().at(0, BezierPath.MIX)).toList();
    }

    @Override
    public List<Outline> written(Content.Shape shape, Measures measures) {
        List<BezierPath> paths = paths(shape);
        Outline all = Outline.NOTHING;
        for (Coat coat : shape.coats()) {
            all = all.and(outline(paths, coat));
        }
        return all.isEmpty() ? List.of() : List.of(all);
    }

    @Override
    public Box extent(Content.Shape shape, Measures measures) {
        Box box = Box.EMPTY;
        for (BezierPath path : paths(shape)) {
            box = box.union(Outline.of(path).bounds());
        }
        return box;
    }

    @Override
    public Box reach(Content.Shape shape, Measures measures) {
        double reach = shape.coats().stream()
                .mapToDouble(c -> c instanceof Coat.Stroke stroke ? Stroking.reach(stroke) : 0)
                .max()
                .orElse(0);
        return extent(shape, measures).grown(reach);
    }
}
