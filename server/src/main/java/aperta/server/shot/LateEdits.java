package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.Shot;
import aperta.server.http.Conflict;
import aperta.server.http.NotFound;
import jakarta.json.JsonObject;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Puts in what a job has found, on top of what people have done meanwhile. */
@Component
public class LateEdits {
    private static final int MOST_ATTEMPTS = 20;

    private final ShotService shots;

    LateEdits(ShotService shots) {
        this.shots = shots;
    }

    /**
     * Makes one edit from the newest state of a shot.
     *
     * @throws IllegalStateException with a plain sentence where the shot is gone, or is changed all the while
     */
    public void put(UUID shot, String title, Function<Shot, JsonObject> edit) {
        for (int attempt = 1; ; attempt++) {
            try {
                ShotService.Read now = shots.newest(shot);
                shots.change(
                        shot,
                        now.revision(),
                        title,
                        JSON.createObjectBuilder()
                                .add("edit", edit.apply(now.shot()))
                                .build());
                return;
            } catch (Conflict e) {
                if (attempt == MOST_ATTEMPTS) {
                    throw new IllegalStateException("The shot was changed all the while; try again.", e);
                }
            } catch (NotFound e) {
                throw new IllegalStateException("The shot was deleted meanwhile.", e);
            }
        }
    }
}
