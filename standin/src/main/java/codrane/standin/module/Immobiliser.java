package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment;
import codrane.core.vin.Vin;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;

/** The secret that a vehicle's modules share, its codes, attempts, waiting time and keys. Made up. */
public final class Immobiliser {
    private static final int KEYS_AT_FIRST = 2;

    private final Optional<Equipment.Immobiliser> pack;
    private final Vin vin;
    private final String maker;
    private int attemptsLeft;
    private Instant lockedUntil = Instant.MIN;
    private Instant windowUntil = Instant.MIN;
    private int keys;

    /** @param keysKnown false: the keeper of the secret is another one than the vehicle's keys were learned by */
    public Immobiliser(Optional<Equipment.Immobiliser> pack, Vin vin, String maker, boolean keysKnown) {
        keys = keysKnown ? KEYS_AT_FIRST : 0;
        this.pack = pack;
        this.vin = vin;
        this.maker = maker;
        attemptsLeft = pack.map(p -> p.limits().attempts()).orElse(0);
    }

    /** What became of a code. */
    enum Verdict {
        RIGHT,
        WRONG,
        /** The last attempt was wrong too: it waits from now on. */
        WRONG_AND_LOCKED,
        LOCKED
    }

    Optional<Equipment.Immobiliser> pack() {
        return pack;
    }

    boolean concerns(String module) {
        return pack.filter(p -> p.master().equals(module) || p.members().contains(module))
                .isPresent();
    }

    /** Paired, attempts left, seconds to wait (two octets), keys learned. */
    Bytes report(ModuleState state, Instant now) {
        int left = Math.clamp(
                Duration.between(now, lockedUntil.isBefore(now) ? now : lockedUntil)
                        .toSeconds(),
                0,
                0xFFFF);
        return Bytes.of(state.paired() ? 1 : 0, attemptsLeft, left >> 8, left & 0xFF, keys);
    }

    /** @param codes the access code, and the daily code behind it when the pack asks for it; ASCII digits */
    Verdict tryCodes(Bytes codes, Instant now) {
        if (now.isBefore(lockedUntil)) return Verdict.LOCKED;
        Equipment.Immobiliser limits = pack.orElseThrow();
        if (codes.text().equals(expected(limits, now))) {
            attemptsLeft = limits.limits().attempts();
            return Verdict.RIGHT;
        }
        attemptsLeft--;
        if (attemptsLeft > 0) return Verdict.WRONG;
        attemptsLeft = limits.limits().attempts();
        lockedUntil = now.plus(limits.limits().lockout());
        return Verdict.WRONG_AND_LOCKED;
    }

    private String expected(Equipment.Immobiliser limits, Instant now) {
        String daily = limits.dailyCode() ? AccessCodes.ofDay(maker, LocalDate.ofInstant(now, ZoneOffset.UTC)) : "";
        return AccessCodes.of(vin, limits.codeDigits()) + daily;
    }

    /** From now on the key must be turned. */
    void openWindow(Instant now) {
        windowUntil = now.plus(pack.orElseThrow().limits().window());
    }

    /** Whether the window is still open. */
    boolean waits(Instant now) {
        return now.isBefore(windowUntil);
    }

    /** Keys that it knows. */
    public int keys() {
        return keys;
    }

    /** Another tool learned one. */
    public void learnedElsewhere() {
        keys++;
    }

    /** The key was turned off and on: within the window it is learned. */
    public void keyTurned(Instant now) {
        if (!waits(now)) return;
        keys++;
        windowUntil = Instant.MIN;
    }
}
