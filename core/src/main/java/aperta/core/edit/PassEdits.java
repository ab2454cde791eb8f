package aperta.core.edit;

import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Pace;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Ease;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One layer gives way to the next: they overlap, and the next one arrives meanwhile. */
public final class PassEdits {
    private PassEdits() {}

    /**
     * Makes a pass at the cut between two layers, in place of one that is there. The next one comes to lie right above the one
     * that goes.
     *
     * @param length of the overlap, in frames; it lies about the cut as far as both have frames to spare
     * @param coming how the next one arrives
     * @param going how the first one leaves; where nothing is said it stays as it is until it is covered
     */
    public record Make(
            String from, String to, long length, Optional<AnimatedRecipe> coming, Optional<AnimatedRecipe> going)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer goes = LayerEdits.demand(shot, from);
            Layer comes = LayerEdits.demand(shot, to);
            if (from.equals(to) || !together(shot, from).equals(together(shot, to))) {
                throw new IllegalArgumentException(
                        "'" + goes.name() + "' and '" + comes.name() + "' don't lie side by side in one group.");
            }
            if (!goes.content().isSeen() || !comes.content().isSeen()) {
                throw new IllegalArgumentException("Only what is seen can pass from one to the next.");
            }
            Ease ease = comes.arrive().map(Passage::ease).orElse(Ease.EASE_IN_OUT);
            Shot next = overlapping(shot, goes, comes, length, extents);
            Span now = next.layer(to).orElseThrow().span();
            long before = cut(goes, comes) - now.in();
            Passage arrival =
                    new Passage(length, 0, ease, Pose.REST, coming, Optional.of(new Passage.Pass(from, before)));
            next = next.changing(to, l -> l.withArrive(Optional.of(arrival)));
            if (going.isPresent()) {
                Passage departure = new Passage(length, 0, ease, Pose.REST, going);
                next = next.changing(from, l -> l.withLeave(Optional.of(departure)));
            }
            return above(next, from, to);
        }
    }

    /** Gives a pass another length, about the same cut. */
    public record SetLength(String layer, long length) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer comes = LayerEdits.demand(shot, layer);
            Layer goes = LayerEdits.demand(shot, demand(comes).from());
            Passage arrival = comes.arrive().orElseThrow();
            Shot next = overlapping(shot, goes, comes, length, extents);
            long before =
                    cut(goes, comes) - next.layer(layer).orElseThrow().span().in();
            Passage.Pass pass = new Passage.Pass(goes.id(), before);
            Shot arriving = next.changing(
                    layer,
                    l -> l.withArrive(Optional.of(arrival.withLength(length).withPass(Optional.of(pass)))));
            return arriving.changing(
                    goes.id(),
                    l -> l.withLeave(l.leave().map(p -> p.length() == arrival.length() ? p.withLength(length) : p)));
        }
    }

    /** Takes a pass away: there is a cut again, where it was, and nothing arrives or leaves there. */
    public record Remove(String layer) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer comes = LayerEdits.demand(shot, layer);
            long length = comes.arrive().map(Passage::length).orElse(0L);
            Layer goes = LayerEdits.demand(shot, demand(comes).from());
            long cut = cut(goes, comes);
            Shot next =
                    shot.changing(layer, l -> l.withSpan(from(l.span(), cut)).withArrive(Optional.empty()));
            return next.changing(goes.id(), l -> {
                boolean ofThePass = l.leave().filter(p -> p.length() == length).isPresent();
                return l.withSpan(until(l.span(), cut)).withLeave(ofThePass ? Optional.empty() : l.leave());
            });
        }
    }

    private static Passage.Pass demand(Layer comes) {
        return comes.arrive()
                .flatMap(Passage::pass)
                .orElseThrow(() -> new IllegalArgumentException("Nothing gives way to '" + comes.name() + "'."));
    }

    /** The frame on which the next one would begin without a pass: where it says so, or else in the middle of an overlap. */
    private static long cut(Layer goes, Layer comes) {
        Optional<Passage.Pass> pass =
                comes.arrive().flatMap(Passage::pass).filter(p -> p.from().equals(goes.id()));
        if (pass.isPresent()) {
            return comes.span().in() + pass.get().before();
        }
        long in = comes.span().in();
        long out = goes.span().out();
        return in < out ? Math.floorDiv(in + out, 2) : in;
    }

    private static Shot overlapping(Shot shot, Layer goes, Layer comes, long length, Edit.Extents extents) {
        long cut = cut(goes, comes);
        long first = goes.span().in();
        long last = comes.span().out();
        if (first >= cut || last <= cut) {
            throw new IllegalArgumentException(
                    "'" + comes.name() + "' begins after '" + goes.name() + "' where one passes to the other.");
        }
        long sparedBefore = Math.min(cut - first - 1, cut - comes.span().in() + spareBefore(comes));
        long sparedAfter = Math.min(last - cut - 1, goes.span().out() - cut + spareAfter(goes, shot, extents));
        long before = Math.min(length / 2, sparedBefore);
        long after = Math.min(length - before, sparedAfter);
        before = Math.min(length - after, sparedBefore);
        if (length < 1 || before + after < length) {
            throw new IllegalArgumentException("At this cut '" + goes.name() + "' and '" + comes.name()
                    + "' have " + Math.max(0, sparedBefore + sparedAfter) + " frames that can overlap, not " + length
                    + ".");
        }
        long in = cut - before;
        long out = cut + after;
        return shot.changing(comes.id(), l -> l.withSpan(from(l.span(), in)))
                .changing(goes.id(), l -> l.withSpan(until(l.span(), out)));
    }

    /** What a layer shows stays where it is in time. */
    private static Span from(Span s, long in) {
        return new Span(in, s.out() - in, s.offset() + in - s.in());
    }

    private static Span until(Span s, long out) {
        return new Span(s.in(), out - s.in(), s.offset());
    }

    /** How many frames there are of it before it begins; a clip that runs evenly has as many as were trimmed. */
    private static long spareBefore(Layer layer) {
        boolean clip =
                layer.content() instanceof Content.Footage && layer.pace().equals(Pace.EVEN);
        return clip ? Math.max(0, layer.span().offset()) : Shot.LONGEST / 4;
    }

    private static long spareAfter(Layer layer, Shot shot, Edit.Extents extents) {
        if (!(layer.content() instanceof Content.Footage footage)
                || !layer.pace().equals(Pace.EVEN)) {
            return Shot.LONGEST / 4;
        }
        long frames = extents.frames(footage, shot.format().rate());
        return Math.max(0, frames - layer.span().offset() - layer.span().length());
    }

    private static Optional<String> together(Shot shot, String id) {
        List<Layer> line = shot.lineTo(id);
        return line.size() < 2
                ? Optional.empty()
                : Optional.of(line.get(line.size() - 2).id());
    }

    private static Shot above(Shot shot, String lower, String upper) {
        return shot.withLayers(LayerEdits.among(shot.layers(), lower, beside -> {
            List<Layer> next = new ArrayList<>(beside);
            Layer moved =
                    next.stream().filter(l -> l.id().equals(upper)).findFirst().orElseThrow();
            next.remove(moved);
            int at = 0;
            while (!next.get(at).id().equals(lower)) {
                at++;
            }
            next.add(at, moved);
            return next;
        }));
    }
}
