package aperta.server.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import aperta.media.json.ShotJson;
import jakarta.json.Json;
import jakarta.json.JsonObject;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;

class ViewerTest {
    private final WebSocketSession session = mock(WebSocketSession.class);
    private final Viewer viewer = new Viewer(session, UUID.randomUUID(), Runnable::run, () -> {});

    private static JsonObject json(String text) {
        return ShotJson.parse(text.replace('\'', '"'));
    }

    @Test
    void theNewestWishTakesThePlaceOfOlderOnes() {
        viewer.wish(json("{'type': 'show', 'frame': 1}"));
        viewer.wish(json("{'type': 'show', 'frame': 2}"));
        assertThat(viewer.takeWish().orElseThrow().getInt("frame")).isEqualTo(2);
        assertThat(viewer.takeWish()).isEmpty();
    }

    @Test
    void questionsAreAllAnsweredAndComeBeforeWishes() {
        viewer.wish(json("{'type': 'show', 'frame': 1}"));
        viewer.ask(json("{'type': 'pick', 'seq': 1}"));
        viewer.ask(json("{'type': 'keys', 'seq': 2}"));
        assertThat(viewer.takeWish().orElseThrow().getString("type")).isEqualTo("pick");
        assertThat(viewer.takeWish().orElseThrow().getString("type")).isEqualTo("keys");
        assertThat(viewer.takeWish().orElseThrow().getString("type")).isEqualTo("show");
    }

    @Test
    void framesAheadComeInTheirOrderUntilANewListComes() {
        viewer.ahead(json("{'type': 'ahead', 'scale': 1, 'frames': [5, 6, 7]}"));
        assertThat(viewer.takeAhead().orElseThrow().getInt("frame")).isEqualTo(5);
        viewer.ahead(json("{'type': 'ahead', 'scale': 1, 'frames': [9]}"));
        JsonObject next = viewer.takeAhead().orElseThrow();
        assertThat(next.getInt("frame")).isEqualTo(9);
        assertThat(next.getBoolean("ahead")).isTrue();
        assertThat(viewer.takeAhead()).isEmpty();
    }

    @Test
    void aFrameTravelsWithItsHeaderBeforeIt() throws IOException {
        viewer.send(Json.createObjectBuilder().add("seq", 3).build(), new byte[] {1, 0, 0, 0}, new byte[] {1, 2, 3});
        ArgumentCaptor<BinaryMessage> sent = ArgumentCaptor.forClass(BinaryMessage.class);
        verify(session).sendMessage(sent.capture());
        ByteBuffer all = sent.getValue().getPayload();
        byte[] head = new byte[all.getInt()];
        all.get(head);
        assertThat(new String(head, StandardCharsets.UTF_8)).isEqualTo("{\"seq\":3}");
        assertThat(all.remaining()).isEqualTo(4 + 3);
    }

    @Test
    void aWindowThatHasGoneDisturbsNobody() throws IOException {
        doThrow(new IOException("gone")).when(session).sendMessage(any(TextMessage.class));
        viewer.send(Json.createObjectBuilder().build());
        verify(session).sendMessage(any(TextMessage.class));
    }

    @Test
    void aListAheadMustBeOne() {
        for (String wrong : List.of(
                "{'type': 'ahead'}",
                "{'type': 'ahead', 'frames': 7}",
                "{'type': 'ahead', 'frames': [1, 'x']}",
                "{'type': 'ahead', 'frames': [1.5]}")) {
            assertThatThrownBy(() -> viewer.ahead(json(wrong))).hasMessageContaining("whole numbers");
        }
        assertThat(viewer.takeAhead()).isEmpty();
    }

    /** A window that doesn't read: nothing waits for it, no more pictures are made for it, and in the end it is given up. */
    @Test
    void aWindowThatDoesntReadHoldsUpNobody() throws IOException {
        List<Runnable> later = new ArrayList<>();
        AtomicInteger read = new AtomicInteger();
        Viewer slow = new Viewer(session, UUID.randomUUID(), later::add, read::incrementAndGet);
        byte[] picture = new byte[10 << 20];
        JsonObject header = Json.createObjectBuilder().add("seq", 3).build();
        slow.wish(json("{'type': 'show', 'frame': 1}"));
        for (int i = 0; i < 3; i++) {
            slow.send(header, new byte[0], picture);
        }
        verify(session, never()).sendMessage(any());
        assertThat(slow.takeWish()).as("not while so much is on its way").isEmpty();
        assertThat(later).as("one sender").hasSize(1);
        later.get(0).run();
        verify(session, times(3)).sendMessage(any());
        assertThat(read.get()).isEqualTo(1);
        assertThat(slow.takeWish()).as("once it has read").isPresent();
        for (int i = 0; i < 30; i++) {
            slow.send(header, new byte[0], picture);
        }
        later.forEach(Runnable::run);
        verify(session).close(CloseStatus.SESSION_NOT_RELIABLE);
    }
}
