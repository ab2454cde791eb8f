package aperta.core.type;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import java.awt.Shape;
import java.awt.font.GlyphVector;
import java.util.ArrayList;
import java.util.List;

/**
 * Words set in a face at a size: every letter's outline in the layer's own pixels, the origin in the middle of the
 * block (see {@link Content.Text}).
 *
 * @param box the block by its advance widths, cap height of the first line to the last baseline; what handles go round
 */
public record Setting(List<Glyph> glyphs, Box box) {
    /** A letter's outline; {@code line} counts from 0, {@code letter} from the start of the whole text. */
    public record Glyph(Outline outline, int line, int letter) {}

    /** The numbers that shape a block of type, all fixed. */
    public record Style(Content.Align align, boolean kerning, double size, double tracking, double leading) {}

    public static Setting of(String words, Typeface face, Style style) {
        String[] lines = words.split("\n", -1);
        double size = style.size();
        double between = style.leading() * size;
        double height = face.capHeight() * size + between * (lines.length - 1);
        double baseline = -height / 2 + face.capHeight() * size;
        List<Glyph> glyphs = new ArrayList<>();
        Box box = new Box(-0.5, -height / 2, 0.5, Math.max(height / 2, -height / 2 + 1));
        int letter = 0;
        for (int i = 0; i < lines.length; i++) {
            box = box.union(line(lines[i], i, letter, baseline + i * between, face, style, glyphs));
            letter += lines[i].length() + 1;
        }
        return new Setting(List.copyOf(glyphs), box);
    }

    private static Box line(
            String words, int line, int letter, double y, Typeface face, Style style, List<Glyph> into) {
        double scale = style.size() / Typeface.EM;
        double gap = style.tracking() / 1000 * style.size();
        GlyphVector glyphs = face.line(words, style.kerning());
        int count = glyphs.getNumGlyphs();
        double width = glyphs.getGlyphPosition(count).getX() * scale + gap * Math.max(0, count - 1);
        double x = style.align() == Content.Align.LEFT ? 0 : style.align() == Content.Align.RIGHT ? -width : -width / 2;
        for (int g = 0; g < count; g++) {
            Shape shape = glyphs.getGlyphOutline(g);
            Outline outline = Outline.of(shape);
            if (!outline.isEmpty()) {
                Affine map = Affine.scale(scale, scale).then(Affine.translation(x + g * gap, y));
                into.add(new Glyph(outline.transformed(map), line, letter + glyphs.getGlyphCharIndex(g)));
            }
        }
        return new Box(x, y - face.capHeight() * style.size(), x + Math.max(width, 1), y);
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
