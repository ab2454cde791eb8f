package aperta.core.type;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.font.LineMetrics;
import java.awt.font.TextAttribute;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Map;

/** A font as outlines, without hinting, measured at one large size so that every size has the same shapes. */
public final class Typeface {
    /** The em at which outlines are taken. */
    static final int EM = 1000;

    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    private final Font font;
    private final double capHeight;

    private Typeface(Font font) {
        this.font = font.deriveFont((float) EM);
        java.awt.geom.Rectangle2D h =
                this.font.createGlyphVector(EXACT, "H").getOutline().getBounds2D();
        LineMetrics metrics = this.font.getLineMetrics("H", EXACT);
        capHeight = h.isEmpty() ? metrics.getAscent() * 0.7 : -h.getMinY();
    }

    /**
     * Reads a TrueType or OpenType font.
     *
     * @throws IllegalArgumentException where the bytes are not such a font
     */
    public static Typeface of(byte[] file) {
        try {
            return new Typeface(Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(file)));
        } catch (FontFormatException | IOException | IllegalArgumentException e) {
            throw new IllegalArgumentException("This is not a TrueType or OpenType font that can be read.", e);
        }
    }

    public String family() {
        return font.getFamily();
    }

    /** From the baseline to the top of H, in ems. */
    public double capHeight() {
        return capHeight / EM;
    }

    /** Whether every letter of the words has a shape in this font. */
    public boolean canShow(String words) {
        return font.canDisplayUpTo(words.replace("\n", "")) < 0;
    }

    GlyphVector line(String words, boolean kerning) {
        Font styled = font.deriveFont(Map.of(TextAttribute.KERNING, kerning ? TextAttribute.KERNING_ON : 0));
        char[] letters = words.toCharArray();
        return styled.layoutGlyphVector(EXACT, letters, 0, letters.length, Font.LAYOUT_LEFT_TO_RIGHT);
    }
}
