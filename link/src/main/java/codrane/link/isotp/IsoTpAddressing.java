package codrane.link.isotp;

import codrane.core.pack.PackLink;
import codrane.link.can.CanFrame;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Which frames belong to a conversation. Normal addressing takes the CAN identifiers alone (fixed 29-bit ones too);
 * extended addressing puts the receiver's address in front of each frame's data. Source: unchecked (ISO 15765-2,
 * addressing formats).
 *
 * @param sendId identifier of our frames
 * @param receiveId identifier of theirs
 * @param extendedIds whether both are 29-bit
 * @param theirAddress first octet of our frames, 0..255; absent: normal addressing
 * @param ourAddress first octet of theirs
 */
public record IsoTpAddressing(
        int sendId, int receiveId, boolean extendedIds, OptionalInt theirAddress, OptionalInt ourAddress) {
    public IsoTpAddressing {
        if (theirAddress.isPresent() != ourAddress.isPresent()) {
            throw new IllegalArgumentException("ourAddress: both addresses or none");
        }
    }

    public static IsoTpAddressing normal(int sendId, int receiveId, boolean extendedIds) {
        return new IsoTpAddressing(sendId, receiveId, extendedIds, OptionalInt.empty(), OptionalInt.empty());
    }

    /** The tester's conversation with a module. */
    public static IsoTpAddressing toModule(PackLink.Can link, int address) {
        return new IsoTpAddressing(
                link.requestId(address),
                link.responseId(address),
                link.extended(),
                first(link.addresses().map(a -> address)),
                first(link.addresses().map(PackLink.Addresses::tester)));
    }

    /** What a tester sends to all modules; nobody answers in this conversation. */
    public static IsoTpAddressing toAll(PackLink.Can link) {
        return new IsoTpAddressing(
                link.functionalId(),
                link.functionalId(),
                link.extended(),
                first(link.addresses().map(PackLink.Addresses::all)),
                first(link.addresses().map(PackLink.Addresses::tester)));
    }

    private static OptionalInt first(Optional<Integer> octet) {
        return octet.map(OptionalInt::of).orElse(OptionalInt.empty());
    }

    /** The same conversation from the other side. */
    public IsoTpAddressing reversed() {
        return new IsoTpAddressing(receiveId, sendId, extendedIds, ourAddress, theirAddress);
    }

    public static IsoTpAddressing extended(int sendId, int theirAddress, int receiveId, int ourAddress) {
        return new IsoTpAddressing(sendId, receiveId, false, OptionalInt.of(theirAddress), OptionalInt.of(ourAddress));
    }

    /** Octets that the address takes from each frame: 0 or 1. */
    public int prefix() {
        return theirAddress.isPresent() ? 1 : 0;
    }

    public boolean isForUs(CanFrame frame) {
        if (frame.id() != receiveId || frame.extended() != extendedIds) return false;
        return ourAddress.isEmpty() || !frame.data().isEmpty() && frame.data().u8(0) == ourAddress.getAsInt();
    }
}
