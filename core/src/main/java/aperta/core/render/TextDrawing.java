package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Opened;
import aperta.core.shot.Pose;
import aperta.core.time.Mix;
import aperta.core.type.Pieces;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Words as outlines, filled and edged; piece by piece while the pieces are on their way. */
final class TextDrawing implements Drawing<Content.Text> {
    @Override
    public Optional<Step.Paints> picture(Content.Text text, Subject subject, Canvas canvas) {
        if (subject.pieces().isEmpty()) {
            return words(text, canvas.type().outline(text, 0), subject.toRaster(), canvas);
        }
        Opened.Pieces poses = subject.pieces().get();
        List<Pieces.Piece> parts = Pieces.of(canvas.type().of(text, 0), text.words(), poses.unit());
        List<Stack.Entry> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Pose pose = poses.of(i, parts.size());
            piece(text, parts.get(i).setting().outline(), pose, subject.toRaster(), canvas)
                    .ifPresent(p -> all.add(new Stack.Entry(p, BlendMode.NORMAL)));
        }
        return all.isEmpty() ? Optional.empty() : Optional.of(new Stack(all));
    }

    /** One piece of some words, in its pose about its own middle. */
    private static Optional<Step.Paints> piece(
            Content.Text text, Outline outline, Pose pose, Affine map, Canvas canvas) {
        Point c = outline.bounds().centre();
        Affine own = Affine.translation(-c.x(), -c.y())
                .then(Affine.scale(pose.scale().x(), pose.scale().y()))
                .then(Affine.rotation(pose.turn()))
                .then(Affine.translation(
                        c.x() + pose.shift().x(), c.y() + pose.shift().y()));
        if (pose.opacity() == 0 || own.inverse().isEmpty()) {
            return Optional.empty();
        }
        return words(text, outline, own.then(map), canvas)
                .map(p -> Blurred.of(p, pose.blur() * map.meanScale()))
                .map(p -> Faded.of(p, pose.opacity()));
    }

    private static Optional<Step.Paints> words(Content.Text text, Outline outline, Affine map, Canvas canvas) {
        if (outline.isEmpty()) {
            return Optional.empty();
        }
        Step.Paints fill = Filled.of(
                outline.transformed(map),
                text.fill().at(0, Mix.COLOUR),
                text.fillOpacity().at(0, Mix.NUMBER),
                canvas.light());
        double width = text.edgeWidth().at(0, Mix.NUMBER);
        if (width <= 0) {
            return Optional.of(fill);
        }
        Step.Paints edge = Filled.of(
                outline.stroked(width).transformed(map),
                text.edge().at(0, Mix.COLOUR),
                text.edgeOpacity().at(0, Mix.NUMBER),
                canvas.light());
        return Optional.of(
                new Stack(List.of(new Stack.Entry(fill, BlendMode.NORMAL), new Stack.Entry(edge, BlendMode.NORMAL))));
    }

    @Override
    public Box extent(Content.Text text, Measures measures) {
        return measures.type().of(text, 0).box();
    }

    @Override
    public Box reach(Content.Text text, Measures measures) {
        double edge = text.edgeWidth().at(0, Mix.NUMBER);
        return measures.type().outline(text, 0).bounds().grown(edge / 2 + 1);
    }
}
