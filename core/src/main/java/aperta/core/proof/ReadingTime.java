package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.picture.MatteMath;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Words stay long enough to be read: a quarter of a second to notice them and a third of a second a word, and never less than
 * one and a half seconds. The rule is that of Karamitroglou, <em>A Proposed Set of Subtitling Standards in Europe</em>,
 * Translation Journal 2(2), 1998: 2.5 to 3 words a second, ¼ to ½ second for the eye, 1½ seconds at least for a single
 * word (from memory). What counts is the time in which nine tenths of them are seen, at half of their opacity or more.
 */
public final class ReadingTime implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "reading-time",
                "Time to read",
                "Words stay long enough to be read.",
                List.of(
                        Parameter.number("words", "Words", "a second", 0.5, 20, 3),
                        Parameter.number("notice", "To notice", "s", 0, 5, 0.25),
                        Parameter.number("least", "At least", "s", 0, 60, 1.5)));
    }

    private record Read(int words, long first, long last, long frames, Box place) {}

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Map<String, Read> reads = new LinkedHashMap<>();
            private Rate rate;

            @Override
            public void see(Look look) {
                rate = look.moment().shot().format().rate();
                for (Share s : look.leadingWords()) {
                    String words = Look.said(s);
                    double own = MatteMath.sum(s.own());
                    double share = own < 1e-6 ? 0 : MatteMath.sum(Look.seen(s)) / own;
                    if (words.length() < 2 || share < Math.max(0.5, 0.9 * s.opacity())) {
                        continue;
                    }
                    Read r = reads.get(Look.id(s));
                    reads.put(
                            Look.id(s),
                            r == null
                                    ? new Read(
                                            words.split(" ").length,
                                            look.frame(),
                                            look.frame(),
                                            1,
                                            Visibility.box(Look.seen(s), look.scale()))
                                    : new Read(r.words, r.first, look.frame(), r.frames + 1, r.place));
                }
            }

            @Override
            public List<Finding> findings() {
                List<Finding> all = new ArrayList<>();
                reads.forEach((layer, r) -> {
                    double needed = Math.max(
                            recipe.number("least"), recipe.number("notice") + r.words / recipe.number("words"));
                    double seconds = r.frames / rate.framesPerSecond();
                    if (seconds < needed - 0.5 / rate.framesPerSecond()) {
                        all.add(new Finding(
                                "reading-time",
                                List.of(layer),
                                r.first,
                                r.last,
                                r.place,
                                String.format(
                                        Locale.ROOT,
                                        "It can be read for %.1f s; its %d %s need %.1f s.",
                                        seconds,
                                        r.words,
                                        r.words == 1 ? "word" : "words",
                                        needed)));
                    }
                });
                return all;
            }
        };
    }
}
