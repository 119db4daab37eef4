package codrane.standin.module;

/** What is wrong with a module for a while, on demand. */
public final class Disturbance {
    private int pending;
    private int wrong;
    private boolean silent;

    /** @param times response-pending messages that come before the next answer */
    public void storm(int times) {
        pending = times;
    }

    /** @param answers that are wrong, from the next one on */
    public void answerWrongly(int answers) {
        wrong = answers;
    }

    public void silence(boolean on) {
        silent = on;
    }

    boolean silent() {
        return silent;
    }

    int takePending() {
        int now = pending;
        pending = 0;
        return now;
    }

    boolean takeWrong() {
        boolean now = wrong > 0;
        if (now) wrong--;
        return now;
    }
}
