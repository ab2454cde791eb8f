package aperta.vision;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;

/** Several marks, each by itself; together they are as sure as the least sure of them. */
final class SeveralFollowers implements Follower {
    private final List<Follower> each;

    SeveralFollowers(List<Follower> each) {
        this.each = each;
    }

    @Override
    public Look look(long frame, List<Point> expected, int wider) {
        List<Point> at = new ArrayList<>();
        double sure = 1;
        for (int i = 0; i < each.size(); i++) {
            Look one = each.get(i).look(frame, List.of(expected.get(i)), wider);
            at.add(one.at().get(0));
            sure = Math.min(sure, one.sure());
        }
        return new Look(at, sure);
    }
}
