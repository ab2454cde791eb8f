package aperta.core.render;

import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.time.Mix;
import aperta.core.type.Setting;
import java.util.LinkedHashMap;
import java.util.Map;

/** The last few settings of type, since most words stand still on most frames. */
final class SetType {
    private static final int MOST = 256;

    private record Name(String words, String font, Setting.Style style) {}

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
        Setting.Style style = new Setting.Style(
                text.align(),
                text.kerning(),
                text.size().at(frame, Mix.NUMBER),
                text.tracking().at(frame, Mix.NUMBER),
                text.leading().at(frame, Mix.NUMBER));
        return kept.computeIfAbsent(new Name(text.words(), text.font(), style), name -> {
            Setting setting = Setting.of(text.words(), faces.face(text.font()), style);
            return new Set(setting, setting.outline());
        });
    }
}
