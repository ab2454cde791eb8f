package aperta.server.frame;

import aperta.core.picture.Bytes;
import aperta.core.picture.Region;
import aperta.core.picture.Yuv;
import aperta.core.render.Plan;
import aperta.core.render.Planner;
import aperta.core.render.PreparedFrame;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.server.media.MediaService;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Pictures for the desk, kept as long as there is room. */
@Service
public class FrameService {
    private static final long STEPS_BYTES = 768L << 20;
    private static final long FRAMES_BYTES = 512L << 20;

    private final Planner planner;
    private final Renderer renderer;
    private final Map<String, Frame> frames = new LinkedHashMap<>(64, 0.75f, true);
    private long bytes;

    /**
     * A frame as the browser paints it, and the name of what is seen on it.
     *
     * @param planes whether the bytes are Y′, Cb and Cr of 4:2:0 as in the file that is rendered, not rows of straight RGBA
     */
    public record Frame(String key, int width, int height, boolean planes, byte[] bytes) {}

    FrameService(MediaService media, Workers workers) {
        this.planner = media.planner();
        this.renderer = new Renderer(new SharedCache(STEPS_BYTES), workers);
    }

    /** A whole frame, ready to be painted. */
    public PreparedFrame shown(Shot shot, long frame, double scale) {
        return renderer.show(plan(shot, frame, scale, Optional.empty()), frame);
    }

    /** What names a frame: equal names mean equal pixels, but for the dither, whose seed is part of it. */
    public String key(Plan plan, long frame, Bytes.See see) {
        return plan.key() + "-" + frame + "-" + see;
    }

    /** Of the whole shot, or of one layer alone. */
    public Plan plan(Shot shot, long frame, double scale, Optional<String> alone) {
        Moment moment = planner.moment(shot, frame);
        return alone.filter(id -> shot.layer(id).isPresent())
                .map(id -> planner.plan(moment, id, scale))
                .orElseGet(() -> planner.plan(moment, scale));
    }

    /**
     * The frame as bytes, from what was kept where possible.
     *
     * @param planes whether 4:2:0 on black will do, which takes three eighths of the room: for pictures that go by, of frames with even
     *     sides
     */
    public Frame frame(Shot shot, long number, double scale, Bytes.See see, Optional<String> alone, boolean planes) {
        return frame(plan(shot, number, scale, alone), number, see, planes);
    }

    /** One layer alone, as far as its chain comes with one of its effects. */
    public Frame upTo(Shot shot, long number, double scale, String layer, String effect) {
        return frame(
                planner.plan(planner.moment(shot, number), layer, effect, true, scale),
                number,
                Bytes.See.PICTURE,
                false);
    }

    private Frame frame(Plan plan, long number, Bytes.See see, boolean planes) {
        String key = key(plan, number, see);
        Region region = plan.frame();
        boolean less = planes && see == Bytes.See.PICTURE && region.width() % 2 == 0 && region.height() % 2 == 0;
        String name = less ? key + "-planes" : key;
        Frame known = known(name);
        if (known != null) {
            return known;
        }
        PreparedFrame shown = renderer.show(plan, number);
        byte[] made;
        if (less) {
            made = new byte[Yuv.size(region.width(), region.height())];
            shown.planar420(made);
        } else {
            made = shown.rgba(see);
        }
        Frame frame = new Frame(key, region.width(), region.height(), less, made);
        keep(name, frame);
        return frame;
    }

    private synchronized Frame known(String name) {
        return frames.get(name);
    }

    private synchronized void keep(String name, Frame frame) {
        if (frames.put(name, frame) == null) {
            bytes += frame.bytes.length;
        }
        var oldest = frames.values().iterator();
        while (bytes > FRAMES_BYTES && oldest.hasNext()) {
            bytes -= oldest.next().bytes.length;
            oldest.remove();
        }
    }
}
