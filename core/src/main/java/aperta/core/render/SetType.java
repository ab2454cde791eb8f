package aperta.core.render;

import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.time.Mix;
import aperta.core.type.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The last few settings of type, since most words stand still on most frames. */
final class SetType {
    private static final int MOST = 256;

    private record Name(String words, Setting.Style style) {}

    private record Set(Setting setting, Outline outline) {}

    private final Faces faces;
    private final Map<Name, Set> kept = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Name, Set> eldest) {
            return size() > MOST;
        }
    };

    SetType(Faces faces) {
        this.faces = faces;
    }

    Setting of(Content.Text text, double frame) {
        return get(text, frame).setting;
    }

    Outline outline(Content.Text text, double frame) {
        return get(text, frame).outline;
    }

    private synchronized Set get(Content.Text text, double frame) {
        Setting.Style style = new Setting.Style(text.align(), text.kerning(), letters(text, frame));
        return kept.computeIfAbsent(new Name(text.words(), style), name -> {
            Setting setting = Setting.of(text.words(), style, faces::face);
            return new Set(setting, setting.outline());
        });
    }

    /** Every letter of a text, in stretches of the same look. */
    private static List<Setting.Letters> letters(Content.Text text, double frame) {
        List<Setting.Letters> all = new ArrayList<>();
        int at = 0;
        for (LetterRun run : text.runs()) {
            if (run.from() > at) {
                all.add(letters(text.look(), at, run.from(), frame));
            }
            all.add(letters(text.lookOf(run), run.from(), run.to(), frame));
            at = run.to();
        }
        if (at < text.words().length() || all.isEmpty()) {
            all.add(letters(text.look(), at, text.words().length(), frame));
        }
        return all;
    }

    private static Setting.Letters letters(LetterLook look, int from, int to, double frame) {
        return new Setting.Letters(
                from,
                to,
                look.font().orElseThrow(),
                look.measures().get(LetterLook.Measure.SIZE).at(frame, Mix.NUMBER),
                look.measures().get(LetterLook.Measure.TRACKING).at(frame, Mix.NUMBER),
                look.measures().get(LetterLook.Measure.LEADING).at(frame, Mix.NUMBER));
    }
}
