package aperta.vision;

import aperta.core.geometry.Point;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import aperta.core.shot.TrackPath.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Follows the marks of a track through a clip. Steps set by hand are fixed: from the last one the film is followed forwards,
 * from the first one backwards, and between two of them both ways, each counting the more the nearer its end is.
 */
public final class Following {
    /** By how much less sure than the steps before a step may be, as a multiple of how far those differed, and at least. */
    private static final double DEVIATIONS = 5;

    private static final double LEAST_DROP = 0.1;
    /** What is less sure is lost in any case. */
    private static final double SURELY_LOST = 0.45;
    /** How quickly what is usual follows what is seen. */
    private static final double LEARNT = 0.125;
    /** How many frames it goes on unseen before it is given up. */
    private static final int LONGEST_UNSEEN = 48;
    /** Over how many steps the pace is taken. */
    private static final int PACE = 3;
    /** How far two ways may lie apart before that makes a step less sure, in pixels of the clip. */
    private static final double APART = 4;

    private final Track track;
    private final Film film;
    private final Told told;
    private final Optional<TrackPath> known;
    private final NavigableMap<Long, Step> steps = new TreeMap<>();
    private boolean stopped;

    /** Is told as it goes. */
    public interface Told {
        /**
         * @param soFar all that is known by now
         * @param frame the one that was just looked at
         * @return whether to go on
         */
        boolean step(TrackPath soFar, long frame);
    }

    private Following(Track track, Optional<TrackPath> known, Film film, Told told) {
        this.known = known;
        this.track = track;
        this.film = film;
        this.told = told;
        for (int i = 0; i < track.path().steps().size(); i++) {
            steps.put(track.path().first() + i, track.path().steps().get(i));
        }
        steps.put(track.at(), fixedAtMarks());
    }

    private Step fixedAtMarks() {
        return track.path()
                .step(track.at())
                .filter(s -> s.by() == By.HAND)
                .orElseGet(() -> new Step(track.marks(), 1, By.HAND));
    }

    /**
     * Follows a track over some frames; what lies outside of them, and what was set by hand, stays as it is.
     *
     * @param known what was found by the same settings before; it isn't looked for again
     * @param from and {@code to}: the first and the last frame
     * @return what is known when it has ended or was stopped
     * @throws VisionMissing where this machine can't
     */
    public static TrackPath follow(Track track, Optional<TrackPath> known, long from, long to, Film film, Told told) {
        Natives.demand();
        Following f = new Following(track, known, film, told);
        f.all(Math.max(0, from), Math.min(film.frames() - 1, to));
        return f.path();
    }

    /** How many frames there are to look at, for whoever shows how far it is. */
    public static long looks(Track track, long from, long to) {
        long all = 0;
        List<Long> fixed = fixed(track);
        for (int i = 0; i + 1 < fixed.size(); i++) {
            boolean meets = fixed.get(i) < to && fixed.get(i + 1) > from;
            all += meets ? 2 * (fixed.get(i + 1) - fixed.get(i) - 1) : 0;
        }
        return Math.max(1, all + Math.max(0, to - fixed.get(fixed.size() - 1)) + Math.max(0, fixed.get(0) - from));
    }

    private static List<Long> fixed(Track track) {
        TreeMap<Long, Boolean> all = new TreeMap<>(Map.of(track.at(), true));
        for (int i = 0; i < track.path().steps().size(); i++) {
            if (track.path().steps().get(i).by() == By.HAND) {
                all.put(track.path().first() + i, true);
            }
        }
        return new ArrayList<>(all.keySet());
    }

    private void all(long from, long to) {
        List<Long> fixed = fixed(track);
        for (int i = 0; i + 1 < fixed.size() && !stopped; i++) {
            if (fixed.get(i) < to && fixed.get(i + 1) > from) {
                between(fixed.get(i), fixed.get(i + 1));
            }
        }
        long last = fixed.get(fixed.size() - 1);
        if (!stopped && to > last) {
            steps.subMap(last, false, to, true).clear();
            along(last, 1, to, true);
        }
        long first = fixed.get(0);
        if (!stopped && from < first) {
            steps.subMap(from, true, first, false).clear();
            along(first, -1, from, true);
        }
    }

    private void between(long a, long b) {
        NavigableMap<Long, Step> forth = along(a, 1, b - 1, false);
        NavigableMap<Long, Step> back = stopped ? new TreeMap<>() : along(b, -1, a + 1, false);
        if (stopped) {
            return;
        }
        steps.subMap(a, false, b, false).clear();
        for (long f = a + 1; f < b; f++) {
            Step one = forth.get(f);
            Step other = back.get(f);
            if (one != null && other != null) {
                steps.put(f, mixed(one, other, (double) (f - a) / (b - a)));
            } else if (one != null || other != null) {
                steps.put(f, one != null ? one : other);
            } else {
                steps.put(f, guessed(a, b, f));
            }
        }
    }

    /** Straight on from one fixed step to the next, where neither way came so far. */
    private Step guessed(long a, long b, long frame) {
        List<Point> at = new ArrayList<>();
        for (int i = 0; i < track.marks().size(); i++) {
            at.add(steps.get(a).at().get(i).mix(steps.get(b).at().get(i), (double) (frame - a) / (b - a)));
        }
        return new Step(at, 0, By.GUESSED);
    }

    private static Step mixed(Step forth, Step back, double share) {
        List<Point> at = new ArrayList<>();
        double apart = 0;
        for (int i = 0; i < forth.at().size(); i++) {
            at.add(forth.at().get(i).mix(back.at().get(i), share));
            apart = Math.max(apart, forth.at().get(i).minus(back.at().get(i)).length());
        }
        double sure = Math.min(forth.sure(), back.sure()) / (1 + (apart / APART) * (apart / APART));
        boolean seen = forth.by() == By.FOUND || back.by() == By.FOUND;
        return new Step(at, sure, seen ? By.FOUND : By.GUESSED);
    }

    /** Follows from a fixed step as far as to a frame, or until it is lost. */
    private NavigableMap<Long, Step> along(long start, int way, long end, boolean keep) {
        NavigableMap<Long, Step> found = new TreeMap<>();
        List<List<Point>> past = new ArrayList<>(List.of(steps.get(start).at()));
        double usual = 1;
        double spread = 0;
        int unseen = 0;
        Follower follower = follower(start, steps.get(start).at());
        for (long f = start + way; way * f <= way * end; f += way) {
            Optional<Step> before = keep ? known(f) : Optional.empty();
            if (before.isPresent()) {
                usual = f == start + way ? Math.max(SURELY_LOST, before.get().sure()) : usual;
                unseen = before.get().by() == By.FOUND ? 0 : unseen + 1;
                past.add(before.get().at());
                found.put(f, before.get());
                steps.put(f, before.get());
                continue;
            }
            List<Point> expected = expected(past);
            Follower.Look look = follower.look(f, inFilm(expected), unseen);
            double sure = Math.max(0, Math.min(1, look.sure()));
            // The first frame says what is usual.
            usual = f == start + way ? Math.max(SURELY_LOST, sure) : usual;
            boolean seen = sure >= Math.max(SURELY_LOST, usual - Math.max(LEAST_DROP, DEVIATIONS * spread));
            if (!seen && (track.lost() == Track.Lost.STOP || unseen >= LONGEST_UNSEEN)) {
                break;
            }
            unseen = seen ? 0 : unseen + 1;
            if (seen) {
                spread += LEARNT * (Math.abs(sure - usual) - spread);
                usual += LEARNT * (sure - usual);
            }
            List<Point> at = seen ? inClip(look.at()) : expected;
            past.add(at);
            Step step = new Step(at, sure, seen ? By.FOUND : By.GUESSED);
            found.put(f, step);
            if (keep) {
                steps.put(f, step);
            }
            if (!told.step(path(), f)) {
                stopped = true;
                break;
            }
        }
        if (!stopped) {
            forgetGuessesAtEnd(found, way, keep);
        }
        return found;
    }

    private Optional<Step> known(long frame) {
        return known.flatMap(p -> p.step(frame)).filter(s -> s.by() == By.FOUND || s.by() == By.GUESSED);
    }

    /** What was never found again has gone: nobody knows where. */
    private void forgetGuessesAtEnd(NavigableMap<Long, Step> found, int way, boolean keep) {
        while (!found.isEmpty()) {
            Map.Entry<Long, Step> last = way > 0 ? found.lastEntry() : found.firstEntry();
            if (last.getValue().by() != By.GUESSED) {
                return;
            }
            found.remove(last.getKey());
            if (keep) {
                steps.remove(last.getKey());
            }
        }
    }

    private Follower follower(long frame, List<Point> at) {
        List<Point> here = inFilm(at);
        double size = track.patch() / film.level();
        double reach = track.reach() / film.level();
        if (track.kind() == Track.Kind.REGION) {
            return new RegionFollower(film, frame, here, reach);
        }
        List<Follower> each = new ArrayList<>();
        here.forEach(p -> each.add(new PointFollower(film, frame, p, size, reach)));
        return each.size() == 1 ? each.get(0) : new SeveralFollowers(each);
    }

    /** As far on as the last steps went, each. */
    private static List<Point> expected(List<List<Point>> past) {
        int n = past.size();
        int back = Math.min(PACE, n - 1);
        List<Point> now = past.get(n - 1);
        List<Point> at = new ArrayList<>();
        for (int i = 0; i < now.size(); i++) {
            Point pace = back == 0
                    ? Point.ORIGIN
                    : now.get(i).minus(past.get(n - 1 - back).get(i)).times(1.0 / back);
            at.add(now.get(i).plus(pace));
        }
        return at;
    }

    private List<Point> inFilm(List<Point> inClip) {
        return inClip.stream().map(p -> p.times(1.0 / film.level())).toList();
    }

    private List<Point> inClip(List<Point> inFilm) {
        return inFilm.stream().map(p -> p.times(film.level())).toList();
    }

    /** The steps that hang together with where the marks were set. */
    private TrackPath path() {
        long first = track.at();
        while (steps.containsKey(first - 1)) {
            first--;
        }
        List<Step> all = new ArrayList<>();
        for (long f = first; steps.containsKey(f); f++) {
            all.add(steps.get(f));
        }
        return new TrackPath(first, all);
    }
}
