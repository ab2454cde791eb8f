package aperta.core.proof;

import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.render.ContentKey;
import aperta.core.render.Planner;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Moment;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/** What there is to see of one frame of a shot. */
public final class Look {
    private final long frame;
    private final Moment moment;
    private final Planner planner;
    private final Map<String, Share> shares;
    private final Map<String, ContentKey> before;
    private final Supplier<Picture> picture;
    private final Picture glance;

    Look(
            long frame,
            Moment moment,
            Planner planner,
            Map<String, Share> shares,
            Map<String, ContentKey> before,
            Supplier<Picture> picture,
            Picture glance) {
        this.frame = frame;
        this.moment = moment;
        this.planner = planner;
        this.shares = shares;
        this.before = before;
        this.picture = picture;
        this.glance = glance;
    }

    /** The same after a frame on which layers looked so. */
    Look after(Map<String, ContentKey> keys) {
        return new Look(frame, moment, planner, shares, keys, picture, glance);
    }

    public long frame() {
        return frame;
    }

    public Moment moment() {
        return moment;
    }

    public Planner planner() {
        return planner;
    }

    /** Raster pixels for a pixel of the shot. */
    public double scale() {
        return Visibility.scale(moment);
    }

    /** The layers that exist on this frame. */
    public List<Share> layers() {
        return List.copyOf(shares.values());
    }

    public Optional<Share> layer(String id) {
        return Optional.ofNullable(shares.get(id));
    }

    /** Texts of one letter or more, whether they show or cut others. */
    public List<Share> words() {
        return shares.values().stream()
                .filter(s -> s.seen().layer().content() instanceof Content.Text text
                        && !text.words().isBlank())
                .toList();
    }

    /** The uppermost of the layers with the same words: edges and shadows are layers with copies of them. */
    public List<Share> leadingWords() {
        Set<String> seen = new HashSet<>();
        return words().stream().filter(s -> seen.add(said(s))).toList();
    }

    /** The words of a text, in one line. */
    static String said(Share share) {
        return ((Content.Text) share.seen().layer().content()).words().strip().replaceAll("\\s+", " ");
    }

    /** The whole picture at the size at which shares are measured, display-encoded or linear as the shot is. */
    public Picture picture() {
        return picture.get();
    }

    /** The same at a size at which only large parts can be told from one another. */
    public Picture glance() {
        return glance;
    }

    /** Texts that stand to be read: still, and neither they nor a group that holds them arrive or leave. */
    public List<Share> standingWords() {
        return words().stream().filter(this::stands).toList();
    }

    /** Whether it stands still, and neither it nor a group that holds it arrives or leaves. */
    public boolean stands(Share share) {
        return isStill(share) && !moment.isOnItsWay(id(share));
    }

    /** Whether it looks as on the frame before. */
    public boolean isStill(Share share) {
        return share.key().equals(before.get(id(share)));
    }

    /** What is seen of words: of those that only cut, what they cut out. */
    public static Matte seen(Share share) {
        return share.shows() ? share.visible() : share.covers().orElse(share.visible());
    }

    static String id(Share share) {
        return share.seen().layer().id();
    }
}
