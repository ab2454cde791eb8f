package aperta.server.frame;

import java.time.Duration;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Whether windows are answered. */
@Component("frames")
class DeskHealth implements HealthIndicator {
    /** No picture takes as long. */
    private static final Duration STUCK = Duration.ofSeconds(60);

    private final FrameDesk desk;

    DeskHealth(FrameDesk desk) {
        this.desk = desk;
    }

    @Override
    public Health health() {
        return desk.busyFor().compareTo(STUCK) < 0
                ? Health.up().build()
                : Health.down()
                        .withDetail("frames", "Pictures are not answered.")
                        .build();
    }
}
