package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class MatteTest {
    @Test
    void whereItIsMore() {
        Matte matte = new Matte(new Region(10, 20, 30, 30));
        matte.set(12, 25, 0.2f);
        matte.set(30, 41, 0.9f);
        assertThat(matte.where(0)).isEqualTo(new Region(12, 25, 19, 17));
        assertThat(matte.where(0.5f)).isEqualTo(new Region(30, 41, 1, 1));
        assertThat(matte.where(0.9f)).isEqualTo(Region.NOTHING);
        assertThat(matte.view(new Region(11, 21, 5, 5)).where(0)).isEqualTo(new Region(12, 25, 1, 1));
    }
}
