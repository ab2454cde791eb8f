package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.shot.Opened;
import aperta.core.shot.Pose;
import aperta.core.type.Pieces;
import aperta.core.type.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Words as outlines, filled and edged; piece by piece while the pieces are on their way. */
final class TextDrawing implements Drawing<Content.Text> {
    @Override
    public Optional<Step.Paints> picture(Content.Text text, Subject subject, Canvas canvas) {
        Setting setting = canvas.type().of(text, 0);
        if (subject.pieces().isEmpty()) {
            Outline whole = text.runs().isEmpty() ? canvas.type().outline(text, 0) : Outline.NOTHING;
            return words(text, setting, whole, subject.toRaster(), canvas);
        }
        Opened.Pieces poses = subject.pieces().get();
        List<Pieces.Piece> parts = Pieces.of(setting, text.words(), poses.unit());
        List<Stack.Entry> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Pose pose = poses.of(i, parts.size());
            piece(text, parts.get(i).setting(), pose, subject.toRaster(), canvas)
                    .ifPresent(p -> all.add(new Stack.Entry(p, BlendMode.NORMAL)));
        }
        return all.isEmpty() ? Optional.empty() : Optional.of(new Stack(all));
    }

    /** One piece of some words, in its pose about its own middle. */
    private static Optional<Step.Paints> piece(
            Content.Text text, Setting setting, Pose pose, Affine map, Canvas canvas) {
        Outline outline = setting.outline();
        Point c = outline.bounds().centre();
        Affine own = Affine.translation(-c.x(), -c.y())
                .then(Affine.scale(pose.scale().x(), pose.scale().y()))
                .then(Affine.rotation(pose.turn()))
                .then(Affine.translation(
                        c.x() + pose.shift().x(), c.y() + pose.shift().y()));
        if (pose.opacity() == 0 || own.inverse().isEmpty()) {
            return Optional.empty();
        }
        return words(text, setting, outline, own.then(map), canvas)
                .map(p -> Blurred.of(p, pose.blur() * map.meanScale()))
                .map(p -> Faded.of(p, pose.opacity()));
    }

    /** @param whole the outline of all, which is what is painted where no letters look different */
    private static Optional<Step.Paints> words(
            Content.Text text, Setting setting, Outline whole, Affine map, Canvas canvas) {
        List<Stack.Entry> all = new ArrayList<>();
        if (text.runs().isEmpty()) {
            letters(all, text.look(), whole, map, canvas);
        } else {
            letters(all, text.look(), setting.only(g -> inNone(text, g)).outline(), map, canvas);
            for (LetterRun run : text.runs()) {
                Outline own = setting.only(g -> g.letter() >= run.from() && g.letter() < run.to())
                        .outline();
                letters(all, text.lookOf(run), own, map, canvas);
            }
        }
        return switch (all.size()) {
            case 0 -> Optional.empty();
            case 1 -> Optional.of(all.get(0).picture());
            default -> Optional.of(new Stack(all));
        };
    }

    private static boolean inNone(Content.Text text, Setting.Glyph glyph) {
        return text.runs().stream().noneMatch(r -> glyph.letter() >= r.from() && glyph.letter() < r.to());
    }

    /** The fill and the edge of letters that look alike. */
    private static void letters(List<Stack.Entry> into, LetterLook look, Outline outline, Affine map, Canvas canvas) {
        if (outline.isEmpty()) {
            return;
        }
        Step.Paints fill = Filled.of(
                outline, map, look.fill().orElseThrow(), look.fixed(LetterLook.Measure.FILL_OPACITY), canvas.light());
        into.add(new Stack.Entry(fill, BlendMode.NORMAL));
        double width = look.fixed(LetterLook.Measure.EDGE_WIDTH);
        if (width > 0) {
            Step.Paints edge = Filled.of(
                    outline.stroked(width).transformed(map),
                    look.edge().orElseThrow().rest(),
                    look.fixed(LetterLook.Measure.EDGE_OPACITY),
                    canvas.light());
            into.add(new Stack.Entry(edge, BlendMode.NORMAL));
        }
    }

    @Override
    public List<Outline> written(Content.Text text, Measures measures) {
        return Pieces.of(measures.type().of(text, 0), text.words(), Opened.Unit.WORDS).stream()
                .map(p -> p.setting().outline())
                .toList();
    }

    @Override
    public Box extent(Content.Text text, Measures measures) {
        return measures.type().of(text, 0).box();
    }

    @Override
    public Box reach(Content.Text text, Measures measures) {
        double edge = text.looks().stream()
                .mapToDouble(l -> l.fixed(LetterLook.Measure.EDGE_WIDTH))
                .max()
                .orElse(0);
        return measures.type().outline(text, 0).bounds().grown(edge / 2 + 1);
    }
}
