package aperta.core.type;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import java.awt.font.GlyphVector;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Words set in a face at a size: every letter's outline in the layer's own pixels, the origin in the middle of the
 * block (see {@link Content.Text}).
 *
 * @param box the block by its advance widths, cap height of the first line to the last baseline; what handles go round
 * @param carets where a cursor stands before each letter, and after the last
 */
public record Setting(List<Glyph> glyphs, Box box, List<Caret> carets) {
    /** How far a cursor reaches above the baseline and below it, in cap heights. */
    private static final double CARET_ABOVE = 1.2;

    private static final double CARET_BELOW = 0.25;

    /** A letter's outline; {@code line} counts from 0, {@code letter} from the start of the whole text. */
    public record Glyph(Outline outline, int line, int letter) {}

    /** An upright line between two letters, from {@code top} to {@code bottom}. */
    public record Caret(double x, double top, double bottom) {}

    /**
     * How a block of type is set.
     *
     * @param letters how all of them are set, in order, without gaps
     */
    public record Style(Content.Align align, boolean kerning, List<Letters> letters) {}

    /**
     * Some letters that are set alike; they lie from {@code from} up to {@code to}.
     *
     * @param leading from the baseline above, as a multiple of the size
     */
    public record Letters(int from, int to, String font, double size, double tracking, double leading) {
        boolean isSetAs(Letters other) {
            return font.equals(other.font) && size == other.size && tracking == other.tracking;
        }

        double gap() {
            return tracking / 1000 * size;
        }

        private Letters until(int end) {
            return new Letters(from, end, font, size, tracking, leading);
        }

        private Letters within(int first, int last) {
            return new Letters(Math.max(from, first), Math.min(to, last), font, size, tracking, leading);
        }
    }

    /** @param faces the typeface of a font by its id */
    public static Setting of(String words, Style style, Function<String, Typeface> faces) {
        List<Line> lines = new ArrayList<>();
        int from = 0;
        for (String line : words.split("\n", -1)) {
            lines.add(Line.of(line, from, style, faces));
            from += line.length() + 1;
        }
        double between = lines.stream().skip(1).mapToDouble(Line::leading).sum();
        double height = lines.get(0).cap + between;
        double baseline = -height / 2 + lines.get(0).cap;
        List<Glyph> glyphs = new ArrayList<>();
        List<Caret> carets = new ArrayList<>();
        Box box = new Box(-0.5, -height / 2, 0.5, Math.max(height / 2, -height / 2 + 1));
        for (int i = 0; i < lines.size(); i++) {
            baseline += i == 0 ? 0 : lines.get(i).leading;
            box = box.union(lines.get(i).set(i, baseline, style.align(), glyphs, carets));
        }
        return new Setting(List.copyOf(glyphs), box, List.copyOf(carets));
    }

    /** Letters that are set alike and stand side by side. */
    private record Stretch(Letters letters, Typeface face, GlyphVector glyphs) {
        double scale() {
            return letters.size() / Typeface.EM;
        }

        /** With the gap after its last letter. */
        double advance() {
            int count = glyphs.getNumGlyphs();
            return glyphs.getGlyphPosition(count).getX() * scale() + letters.gap() * count;
        }
    }

    /**
     * A line in the making.
     *
     * @param cap the largest cap height of its letters
     * @param leading the largest of its letters, in pixels
     */
    private record Line(int from, int count, List<Stretch> stretches, double cap, double leading) {
        static Line of(String words, int from, Style style, Function<String, Typeface> faces) {
            List<Letters> there = style.letters().stream()
                    .filter(l -> l.from() < from + words.length() && l.to() > from)
                    .map(l -> l.within(from, from + words.length()))
                    .toList();
            // A line without letters is as high as the letters around it.
            List<Letters> high = there.isEmpty()
                    ? style.letters().stream()
                            .filter(l -> l.to() >= from)
                            .limit(1)
                            .toList()
                    : there;
            double cap = high.stream()
                    .mapToDouble(l -> faces.apply(l.font()).capHeight() * l.size())
                    .max()
                    .orElse(0);
            double leading =
                    high.stream().mapToDouble(l -> l.leading() * l.size()).max().orElse(0);
            List<Stretch> stretches = alike(there).stream()
                    .map(l -> {
                        Typeface face = faces.apply(l.font());
                        return new Stretch(
                                l, face, face.line(words.substring(l.from() - from, l.to() - from), style.kerning()));
                    })
                    .toList();
            return new Line(from, words.length(), stretches, cap, leading);
        }

        /** Neighbours that are set alike are one, so that they are kerned. */
        private static List<Letters> alike(List<Letters> letters) {
            List<Letters> all = new ArrayList<>();
            for (Letters next : letters) {
                Letters last = all.isEmpty() ? null : all.get(all.size() - 1);
                if (last != null && last.isSetAs(next)) {
                    all.set(all.size() - 1, last.until(next.to()));
                } else {
                    all.add(next);
                }
            }
            return all;
        }

        Box set(int line, double y, Content.Align align, List<Glyph> into, List<Caret> carets) {
            double width = stretches.stream().mapToDouble(Stretch::advance).sum()
                    - (stretches.isEmpty()
                            ? 0
                            : stretches.get(stretches.size() - 1).letters().gap());
            double x = align == Content.Align.LEFT ? 0 : align == Content.Align.RIGHT ? -width : -width / 2;
            double end = x + Math.max(width, 1);
            Box box = new Box(x, y - cap, end, y);
            // Letters that one glyph shows together share its place.
            double[] places = new double[count + 1];
            Arrays.fill(places, Double.NaN);
            places[count] = x + width;
            for (Stretch stretch : stretches) {
                double scale = stretch.scale();
                double gap = stretch.letters().gap();
                GlyphVector glyphs = stretch.glyphs();
                for (int g = 0; g < glyphs.getNumGlyphs(); g++) {
                    int letter = stretch.letters().from() + glyphs.getGlyphCharIndex(g);
                    places[letter - from] =
                            x + g * gap + glyphs.getGlyphPosition(g).getX() * scale;
                    Outline outline = Outline.of(glyphs.getGlyphOutline(g));
                    if (!outline.isEmpty()) {
                        Affine map = Affine.scale(scale, scale).then(Affine.translation(x + g * gap, y));
                        into.add(new Glyph(outline.transformed(map), line, letter));
                    }
                }
                x += stretch.advance();
            }
            double last = box.x0();
            for (double place : places) {
                last = Double.isNaN(place) ? last : place;
                carets.add(new Caret(last, y - cap * CARET_ABOVE, y + cap * CARET_BELOW));
            }
            return box;
        }
    }

    /** The same with some of its letters only. */
    public Setting only(Predicate<Glyph> which) {
        return new Setting(glyphs.stream().filter(which).toList(), box, carets);
    }

    /** All letters as one outline; letters that run into each other, as in a script, are merged. */
    public Outline outline() {
        Outline all = Outline.NOTHING;
        Box before = Box.EMPTY;
        boolean touching = false;
        for (Glyph glyph : glyphs) {
            Box here = glyph.outline().bounds();
            touching |= !before.isEmpty()
                    && here.x0() < before.x1()
                    && here.x1() > before.x0()
                    && here.y0() < before.y1()
                    && here.y1() > before.y0();
            before = here;
            all = all.and(glyph.outline());
        }
        return touching ? all.merged() : all;
    }
}
