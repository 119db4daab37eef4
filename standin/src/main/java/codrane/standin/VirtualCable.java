package codrane.standin;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.time.VirtualTime;
import java.util.List;

/** The link of a virtual workshop, with a cable that can be pulled out and a wireless stretch that can go quiet. */
final class VirtualCable implements DiagnosticLink {
    private final DiagnosticLink link;
    private final VirtualTime time;
    private boolean out;
    private boolean mute;

    VirtualCable(DiagnosticLink link, VirtualTime time) {
        this.link = link;
        this.time = time;
    }

    /** Put in again it would be another connection: this one is gone for good. */
    void pull() {
        out = true;
    }

    /** Nothing passes either way, the connection stays. */
    void mute(boolean on) {
        mute = on;
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        check();
        if (mute) return quiet(waits);
        Reply reply = link.request(address, request, waits);
        check(); // pulled meanwhile: whether it was done, nobody knows
        return mute ? quiet(waits) : reply;
    }

    private Reply quiet(Waits waits) {
        time.advance(waits.p2());
        return new Reply.Silent(waits.p2());
    }

    @Override
    public List<Heard> requestAll(Bytes request, Waits waits) {
        check();
        List<Heard> heard = mute ? List.of() : link.requestAll(request, waits);
        check();
        return heard;
    }

    @Override
    public void tell(int address, Bytes request) {
        check();
        if (!mute) link.tell(address, request);
    }

    private void check() {
        if (out) throw new LinkLostException("The cable was pulled.");
    }

    @Override
    public boolean lost() {
        return out || link.lost();
    }

    @Override
    public void close() {
        link.close();
    }
}
