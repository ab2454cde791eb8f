package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.outline.PenBand;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content.Drawings;
import aperta.core.shot.PenLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a hand has drawn up to a frame. */
final class DrawnFrames implements Drawing<Drawings> {
    @Override
    public Optional<Step.Paints> picture(Drawings drawings, Subject subject, Canvas canvas) {
        double frame = subject.seen().content();
        int index = drawings.indexAt(frame + 1e-9);
        if (index < 0) {
            return Optional.empty();
        }
        Drawings.Drawing now = drawings.drawings().get(index);
        double seconds = subject.seen().format().rate().seconds(frame - now.at());
        List<Stack.Entry> all = new ArrayList<>();
        Colour colour = null;
        Outline together = Outline.NOTHING;
        double before = 0;
        for (Drawings.Part part : now.parts()) {
            PenLine line = drawings.line(part.line());
            double to = part.to();
            if (now.played()) {
                before += line.pause();
                to = Math.min(to, line.drawn(seconds - before));
                before += line.seconds();
            }
            Outline band = PenBand.of(line, part.from(), to);
            if (!line.colour().equals(colour)) {
                add(all, together, colour, subject, canvas);
                together = Outline.NOTHING;
                colour = line.colour();
            }
            together = together.and(band);
        }
        add(all, together, colour, subject, canvas);
        return switch (all.size()) {
            case 0 -> Optional.empty();
            case 1 -> Optional.of(all.get(0).picture());
            default -> Optional.of(new Stack(all));
        };
    }

    private static void add(List<Stack.Entry> into, Outline outline, Colour colour, Subject subject, Canvas canvas) {
        if (!outline.isEmpty()) {
            Step.Paints filled = Filled.of(outline.transformed(subject.toRaster()), colour, 1, canvas.light());
            into.add(new Stack.Entry(filled, BlendMode.NORMAL));
        }
    }

    /** The box around all that is ever drawn. */
    @Override
    public Box extent(Drawings drawings, Measures measures) {
        Box box = Box.EMPTY;
        for (PenLine line : drawings.lines()) {
            double widest = line.path().knots().stream()
                    .mapToDouble(k -> k.feather())
                    .max()
                    .orElse(0);
            box = box.union(Outline.of(line.path()).bounds().grown(widest / 2));
        }
        return box;
    }

    @Override
    public List<Outline> written(Drawings drawings, Measures measures) {
        Outline all = Outline.NOTHING;
        for (PenLine line : drawings.lines()) {
            all = all.and(PenBand.of(line, 0, 1));
        }
        return all.isEmpty() ? List.of() : List.of(all);
    }
}
