package aperta.media.json;

import aperta.core.shot.BrushStroke;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;

/** Figures cut out of clips. */
final class CutOutCodec {
    static final Codec<CutOut.Carried> CARRIED = carried();

    private CutOutCodec() {}

    static Codec<CutOut> of(Codec<Cut.Tone> tones) {
        ObjectCodec<CutOut> o = new ObjectCodec<>();
        var strokes = o.field("strokes", Codecs.list(stroke()), CutOut::strokes, List.of());
        var carried = o.field("carried", Codecs.optional(CARRIED), CutOut::carried, Optional.empty());
        var tidy = o.field("tidy", tidy(), CutOut::tidy, CutOut.Tidy.NOTHING);
        var tone = o.field("tone", tones, CutOut::tone, Cut.Tone.PLAIN);
        var clean = o.field("clean", ShotJson.NUMBERS, CutOut::clean, Animated.of(CutOut.USUAL_CLEAN));
        return o.making(r -> new CutOut(r.get(strokes), r.get(carried), r.get(tidy), r.get(tone), r.get(clean)));
    }

    private static Codec<CutOut.Tidy> tidy() {
        ObjectCodec<CutOut.Tidy> o = new ObjectCodec<>();
        var steady = o.field("steady", ShotJson.NUMBERS, CutOut.Tidy::steady, CutOut.Tidy.NOTHING.steady());
        var holes = o.field("holes", ShotJson.NUMBERS, CutOut.Tidy::holes, CutOut.Tidy.NOTHING.holes());
        var specks = o.field("specks", ShotJson.NUMBERS, CutOut.Tidy::specks, CutOut.Tidy.NOTHING.specks());
        return o.making(r -> new CutOut.Tidy(r.get(steady), r.get(holes), r.get(specks)));
    }

    private static Codec<BrushStroke> stroke() {
        ObjectCodec<BrushStroke> o = new ObjectCodec<>();
        var frame = o.field("frame", Codecs.WHOLE, BrushStroke::frame);
        var inside = o.field("inside", Codecs.TRUTH, BrushStroke::inside);
        var radius = o.field("radius", Codecs.NUMBER, BrushStroke::radius);
        var path = o.field("path", Codecs.list(TimeCodecs.POINT), BrushStroke::path);
        return o.making(r -> new BrushStroke(r.get(frame), r.get(inside), r.get(radius), r.get(path)));
    }

    private static Codec<CutOut.Carried> carried() {
        ObjectCodec<CutOut.Carried> o = new ObjectCodec<>();
        var media = o.field("media", Codecs.TEXT, CutOut.Carried::media);
        var clip = o.field("clip", TrackCodec.CLIP, CutOut.Carried::clip);
        var first = o.field("first", Codecs.WHOLE, CutOut.Carried::first);
        var sure = o.field("sure", Codecs.list(Codecs.NUMBER), CutOut.Carried::sure);
        var area = o.field("area", Codecs.list(Codecs.NUMBER), CutOut.Carried::area);
        return o.making(r -> new CutOut.Carried(r.get(media), r.get(clip), r.get(first), r.get(sure), r.get(area)));
    }
}
