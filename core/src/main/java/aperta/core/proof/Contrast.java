package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.LetterLook;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Words stand out from what lies round them while they are read: WCAG 2.2, success criterion 1.4.3, contrast 4.5:1, or 3:1
 * for large type (24 px or more; a frame whose shorter side is 1080 is taken to be seen at that size). The luminance of the
 * letters and that of a band round them are means, measured on every twelfth frame of a hold; the least counts.
 */
public final class Contrast implements Check {
    private static final int EVERY = 12;
    /** How wide the band round the letters is, in pixels of the small picture. */
    private static final int BAND = 3;

    private static final double LARGE = 24;
    /** The share of the most that any pixel is covered from which it stands for the letters. */
    private static final float ENOUGH = 0.85f;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "contrast",
                "Contrast of word and plate",
                "Words stand out from what lies round them while they are read.",
                List.of(
                        Parameter.number("small", "Small type", "", 1, 21, 4.5),
                        Parameter.number("large", "Large type", "", 1, 21, 3)));
    }

    private record Least(double contrast, double limit, long from, long to, Box place) {}

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Map<String, Least> least = new LinkedHashMap<>();
            private final Map<String, Long> next = new HashMap<>();

            /** Of layers with the same words, such as letters and their edge, the one that stands out most counts. */
            @Override
            public void see(Look look) {
                Map<String, Share> leading = new LinkedHashMap<>();
                Map<String, Double> ratio = new HashMap<>();
                for (Share s : look.standingWords()) {
                    boolean due = next.getOrDefault(Look.id(s), 0L) <= look.frame();
                    if (due && s.opacity() > 0.95) {
                        next.put(Look.id(s), look.frame() + EVERY);
                        leading.putIfAbsent(Look.said(s), s);
                        ratio.merge(Look.said(s), contrast(look, s), Math::max);
                    }
                }
                leading.forEach((words, s) -> note(look, s, ratio.get(words)));
            }

            private void note(Look look, Share s, double contrast) {
                double limit = recipe.number(isLarge(look, s) ? "large" : "small");
                if (contrast < limit) {
                    Least l = least.get(Look.id(s));
                    Box box = Visibility.box(Look.seen(s), look.scale());
                    least.put(
                            Look.id(s),
                            l == null
                                    ? new Least(contrast, limit, look.frame(), look.frame(), box)
                                    : new Least(Math.min(l.contrast, contrast), limit, l.from, look.frame(), l.place));
                }
            }

            @Override
            public List<Finding> findings() {
                List<Finding> all = new ArrayList<>();
                least.forEach((layer, l) -> all.add(new Finding(
                        "contrast",
                        List.of(layer),
                        l.from,
                        l.to,
                        l.place,
                        String.format(
                                Locale.ROOT,
                                "Its contrast with what lies round it is %.1f:1; it needs %s:1.",
                                l.contrast,
                                l.limit == Math.rint(l.limit)
                                        ? Long.toString((long) l.limit)
                                        : Double.toString(l.limit)))));
                return all;
            }
        };
    }

    private static boolean isLarge(Look look, Share s) {
        Format f = look.moment().shot().format();
        double size = ((Content.Text) s.seen().still().content())
                .looks().stream()
                        .mapToDouble(l -> l.fixed(LetterLook.Measure.SIZE))
                        .min()
                        .orElse(0);
        double screen = 1080.0 / Math.min(f.width(), f.height());
        return size * s.seen().toShot().meanScale() * screen >= LARGE;
    }

    /** 21, the greatest there is, where there are no letters to be seen. */
    private static double contrast(Look look, Share s) {
        Matte letters = Look.seen(s);
        Region frame = s.frame();
        Region r = letters.domain();
        float most = 0;
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                most = Math.max(most, letters.at(x, y));
            }
        }
        if (most < 0.1f) {
            return 21;
        }
        Picture picture = look.picture();
        Mean in = new Mean();
        Mean out = new Mean();
        Region near =
                new Region(r.x() - BAND, r.y() - BAND, r.width() + 2 * BAND, r.height() + 2 * BAND).intersect(frame);
        for (int y = near.y(); y < near.bottom(); y++) {
            for (int x = near.x(); x < near.right(); x++) {
                float a = letters.at(x, y);
                if (a >= most * ENOUGH) {
                    in.add(picture.at(x, y), a);
                } else if (s.own().at(x, y) < 0.02f && isNear(letters, x, y)) {
                    out.add(picture.at(x, y), 1);
                }
            }
        }
        if (in.count == 0 || out.count == 0) {
            return 21;
        }
        Luminance luminance = new Luminance(look.moment().shot().format());
        return Luminance.contrast(luminance.of(in.without(out)), luminance.of(out.colour()));
    }

    /** The mean colour of some pixels, and how much of each is covered by letters. */
    private static final class Mean {
        private final double[] sum = new double[3];
        private double covered;
        private int count;

        void add(float[] pixel, double share) {
            for (int c = 0; c < 3; c++) {
                sum[c] += pixel[c];
            }
            covered += share;
            count++;
        }

        double[] colour() {
            return new double[] {sum[0] / count, sum[1] / count, sum[2] / count};
        }

        /** Thin letters cover no pixel of the small picture wholly: what shines through of the ground is taken off. */
        double[] without(Mean ground) {
            double share = covered / count;
            double[] mixed = colour();
            double[] own = new double[3];
            for (int c = 0; c < 3; c++) {
                own[c] = Math.max(0, (mixed[c] - (1 - share) * ground.colour()[c]) / share);
            }
            return own;
        }
    }

    private static boolean isNear(Matte letters, int x, int y) {
        for (int d = -BAND; d <= BAND; d++) {
            if (letters.at(x + d, y) > 0.2f || letters.at(x, y + d) > 0.2f) {
                return true;
            }
        }
        return false;
    }
}
