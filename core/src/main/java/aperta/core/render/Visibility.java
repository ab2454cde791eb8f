package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Cut;
import aperta.core.shot.Join;
import aperta.core.shot.Light;
import aperta.core.shot.Moment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How much of each layer is seen at a moment: what remains of its own full area after masks, cuts, opacity, the edge of the
 * frame and what lies above. It is measured at a reduced size, where coverage still stands for areas exactly; motion blur
 * is left out. Made for moments that follow one another: what hasn't changed since the last one is not measured again. Not
 * safe for use by several threads.
 */
public final class Visibility {
    /** How many pixels wide the frame is measured. */
    private static final double WIDE = 320;

    private static final long CACHE = 24L << 20;

    private final Planner planner;
    private final Renderer renderer;
    private Map<ContentKey, Matte> before = new HashMap<>();
    private Map<ContentKey, Matte> now = new HashMap<>();

    public Visibility(Planner planner, Bands bands) {
        this.planner = planner;
        this.renderer = new Renderer(new RecentCache(CACHE), bands);
    }

    /**
     * What is seen of one layer.
     *
     * @param own its coverage without masks, cuts and opacity, in raster pixels, up to a frame's width beyond the frame
     * @param covers its coverage with masks and opacity, before its own cut; what it cuts others with
     * @param visible what remains of it in the frame, its opacity included
     * @param opacity its own times those of the groups that hold it
     * @param key equal keys mean that it looks the same
     * @param shows whether it shows by itself, rather than only cutting others
     * @param frame the pixels of the whole frame
     */
    public record Share(
            Moment.Seen seen,
            Matte own,
            Optional<Matte> covers,
            Matte visible,
            double opacity,
            ContentKey key,
            boolean shows,
            Region frame) {
        /** The visible share, 0 to 1; 0 where there is nothing that could be seen. */
        public double share() {
            double full = MatteMath.sum(own);
            return full < 1e-6 ? 0 : Math.min(1, MatteMath.sum(visible) / full);
        }
    }

    /** Raster pixels for a pixel of the shot. */
    public static double scale(Moment moment) {
        return Math.min(1, WIDE / moment.shot().format().width());
    }

    /** Every layer that exists at the moment and can be seen at all, by its id. */
    public Map<String, Share> at(Moment moment) {
        double scale = scale(moment);
        Region frame = Planner.frame(moment.shot().format(), scale);
        Map<String, Share> all = new LinkedHashMap<>();
        Matte window = new Matte(frame);
        window.fill(1);
        now = new HashMap<>();
        measure(planner.areas(moment, scale), window, 1, frame, all);
        before = now;
        return all;
    }

    /** The box in the shot's pixels around what is more than a twentieth there; empty where nothing is. */
    public static Box box(Matte matte, double scale) {
        Region r = matte.domain();
        int left = Integer.MAX_VALUE;
        int right = Integer.MIN_VALUE;
        int top = Integer.MAX_VALUE;
        int bottom = Integer.MIN_VALUE;
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                if (matte.at(x, y) > 0.05f) {
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        return left > right ? Box.EMPTY : new Box(left / scale, top / scale, right / scale, bottom / scale);
    }

    private void measure(List<Area> areas, Matte window, double opacity, Region frame, Map<String, Share> all) {
        List<Optional<Matte>> covers = new ArrayList<>();
        for (Area area : areas) {
            covers.add(area.finished().map(p -> alpha(p, frame)));
        }
        Matte through = new Matte(frame);
        through.copyFrom(window);
        for (int i = 0; i < areas.size(); i++) {
            Area area = areas.get(i);
            if (area.own().isEmpty()) {
                continue;
            }
            Optional<Matte> cover = covers.get(i);
            if (area.seen().layer().join() == Join.STAY_INSIDE && cover.isPresent()) {
                cover = Optional.of(times(cover.get(), below(areas, i, frame)));
            }
            Matte visible = cover.isPresent() ? times(cover.get(), through) : new Matte(Region.NOTHING);
            double here = opacity * area.seen().opacity();
            Step.Paints own = area.own().get();
            Step.Paints last = area.finished().or(area::uncut).orElse(own);
            all.put(
                    area.seen().layer().id(),
                    new Share(
                            area.seen(),
                            alpha(own, around(frame)),
                            area.uncut().map(p -> alpha(p, frame)),
                            visible,
                            here,
                            last.key(),
                            area.shows(),
                            frame));
            if (!area.inside().isEmpty()) {
                measure(area.inside(), inside(area, visible, frame), here, frame, all);
            }
            if (cover.isPresent()) {
                hide(through, cover.get(), area);
            }
        }
    }

    /** What is seen through a group: its visible picture as a share of what lies in it. */
    private Matte inside(Area group, Matte visible, Region frame) {
        Matte whole = alpha(new Stack(entries(group.inside())), frame);
        Matte window = new Matte(frame);
        for (int y = frame.y(); y < frame.bottom(); y++) {
            for (int x = frame.x(); x < frame.right(); x++) {
                float all = whole.at(x, y);
                window.set(x, y, all > 1e-4f ? Math.min(1, visible.at(x, y) / all) : 0);
            }
        }
        return window;
    }

    private static List<Stack.Entry> entries(List<Area> areas) {
        List<Stack.Entry> entries = new ArrayList<>();
        for (int i = areas.size() - 1; i >= 0; i--) {
            Area a = areas.get(i);
            a.finished()
                    .ifPresent(p -> entries.add(new Stack.Entry(
                            p, BlendMode.NORMAL, a.seen().layer().join())));
        }
        return entries;
    }

    private Matte below(List<Area> areas, int i, Region frame) {
        return alpha(new Stack(entries(areas.subList(i + 1, areas.size()))), frame);
    }

    /** Only what is laid over by normal blending hides; the rules of joins take away what they take away. */
    private static void hide(Matte through, Matte cover, Area area) {
        Join join = area.seen().layer().join();
        boolean over = join == Join.OVER || join == Join.STAY_INSIDE;
        if (over && area.seen().layer().blend() != BlendMode.NORMAL) {
            return;
        }
        if (join == Join.KEEP_BELOW) {
            Matte kept = times(cover, through);
            through.fill(0);
            through.copyFrom(kept);
        } else {
            Region both = through.domain().intersect(cover.domain());
            MatteMath.subtract(through.view(both), cover.view(both), 1);
        }
    }

    private static Matte times(Matte a, Matte b) {
        Region r = a.domain().intersect(b.domain());
        Matte product = new Matte(r);
        product.copyFrom(a);
        MatteMath.intersect(product, b.view(r), 1);
        return product;
    }

    private static Region around(Region frame) {
        return new Region(-frame.width(), -frame.height(), 3 * frame.width(), 3 * frame.height());
    }

    private Matte alpha(Step.Paints picture, Region within) {
        Region region = within.intersect(picture.domain());
        ContentKey key = ContentKey.of("alpha").step(picture).region(region).key();
        Matte known = now.getOrDefault(key, before.get(key));
        if (known == null) {
            known = renderer.matte(new PictureMatte(picture, Cut.With.SHAPE, Light.DISPLAY), region);
        }
        now.put(key, known);
        return known;
    }

    /** The coverage of an outline that lies in the shot's pixels. */
    public static Matte coverage(Outline inShot, Moment moment) {
        double scale = scale(moment);
        return Coverage.of(
                inShot.transformed(Affine.scale(scale, scale)),
                Planner.frame(moment.shot().format(), scale),
                Bands.IN_TURN);
    }
}
