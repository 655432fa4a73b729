/// Captions to draft notes with draft times: what was heard, what is proposed, and how sure it is. Nothing
/// is changed silently.
#pragma once

#include "captions/cues.h"
#include "notes/parser.h"
#include "notes/pronunciation.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::captions {

/// One thing that was mended: "of a" to "over", or left out ("" to). How sure it is, from 0 to 1.
struct Repair {
    int line = 0;
    std::string from;
    std::string to;
    double confidence = 0.0;
};

/// A note of a proposed call. Times in the media, of its own words.
struct DraftNote {
    std::string text; ///< with what joins it to its neighbours
    int line = 0; ///< of the file
    double at_s = 0.0;
    double end_s = 0.0;
    double sure = 1.0; ///< how likely it is what was said, 0 to 1
    std::string doubt; ///< what is least sure of it, and what was heard there; empty where nothing is
    std::optional<std::string> otherwise; ///< the note where its doubt is right; nothing where there is none
};

/// One proposed call.
struct DraftCall {
    int line = 0; ///< of the file
    double at_s = 0.0; ///< in the media, when its first word is said
    double end_s = 0.0;
    std::string heard; ///< as captioned
    std::string text; ///< as proposed
    std::vector<Repair> repairs;
    std::vector<DraftNote> notes;

    /// How sure the proposal is: that of its least sure note.
    [[nodiscard]] double confidence() const;
};

/// The index of the least sure note of `call` that can be read in another way too; nothing where none can.
[[nodiscard]] std::optional<std::size_t> noteInDoubt(const DraftCall& call);

/// Takes the other reading of note `index`, which is what was said then; once more, and it is as before.
void takeOther(DraftCall& call, std::size_t index);

/// Everything in `call` is what was said.
void confirm(DraftCall& call);

/// A stage within the recording: calls [first_call, last_call). Times in the media.
struct DraftStage {
    double go_s = 0.0;
    double stop_s = 0.0;
    bool counted_down = false; ///< a countdown was heard; else go is the first call
    std::size_t first_call = 0;
    std::size_t last_call = 0;
};

struct Draft {
    notes::Order order = notes::Order::direction_first;
    std::vector<DraftCall> calls;
    std::vector<DraftStage> stages; ///< at least one where there are calls
    std::vector<DraftCall> talk; ///< what was heard that is no note, its words where they are known; no text
    int chatter = 0; ///< words of talk that were left out of the calls
};

/// Reads captions by one weighted reading of the whole stream. What words sound like is told by
/// `pronunciations`, where there are any.
[[nodiscard]] Draft draftNotes(const std::vector<Cue>& cues, const notes::Style& style = {},
    const notes::Pronunciations& pronunciations = {});

/// The draft's calls [first, last) as notes text, one call a line; `take` says for each call whether its
/// proposal is taken or what was heard is kept.
[[nodiscard]] std::string draftText(const Draft& draft, std::size_t first, std::size_t last,
    const std::function<bool(const DraftCall&)>& take = {});

/// Whether somebody reads notes in what was heard: several corners that are sure, and not now and then one as
/// talk and music always hold some that sound like it.
[[nodiscard]] bool isReading(const Draft& draft);

/// The whole draft understood: lines are those of the file, calls have their `at_s`.
[[nodiscard]] notes::ParsedNotes understandDraft(const Draft& draft, const notes::Style& style = {});

/// Where the notes of a draft's calls probably are, in media seconds: a note of captions is said ahead of its
/// place by about `lead_s`. `line_of_call` gives each draft call's line in the text of `parsed` (0 where the
/// call was not taken).
struct DraftPlace {
    std::string note;
    double media_s = 0.0;
};
[[nodiscard]] std::vector<DraftPlace> draftPlaces(const Draft& draft, const std::vector<int>& line_of_call,
    const notes::ParsedNotes& parsed, double lead_s);

} // namespace brumefall::captions
