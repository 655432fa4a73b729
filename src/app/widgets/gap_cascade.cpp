#include "widgets/gap_cascade.h"

#include "theme/theme.h"

#include <QFontMetricsF>
#include <QHash>

#include <algorithm>
#include <array>

namespace brumefall::app {
namespace {

constexpr double kBetween = 8.0; ///< pixels between the words of two notes on one row
constexpr double kBarHeight = 4.5;
constexpr double kUnderBar = 1.5;
constexpr std::array kSizes{type::kText, type::kSmall};

/// Widths are asked for again with every picture that moves.
double widthOf(const QString& words, int letter_size)
{
    static QHash<QPair<int, QString>, double> known;
    constexpr qsizetype kMost = 20'000;
    if (known.size() > kMost) {
        known.clear();
    }
    auto it = known.find({letter_size, words});
    if (it == known.end()) {
        it = known.insert(
            {letter_size, words}, QFontMetricsF(typeface(letter_size)).horizontalAdvance(words) + 1.0);
    }
    return *it;
}

class Cascade {
public:
    Cascade(const GapScene& scene, const QRectF& rect)
        : scene_(scene)
        , rect_(rect)
        , layout_(gapLayout(scene, rect))
        , scale_(scene, rect)
        , free_from_(static_cast<std::size_t>(layout_.rows), -1e18)
    {
    }

    std::vector<CascadeNote> place()
    {
        std::vector<CascadeNote> out;
        const auto& notes = scene_.plan->notes;
        for (std::size_t c = 0; c < scene_.plan->calls.size(); ++c) {
            const auto& call = scene_.plan->calls[c];
            for (std::size_t k = call.first; k < std::min(call.last, notes.size()); ++k) {
                placeNote(k, c, k - call.first, out);
            }
        }
        return out;
    }

private:
    void placeNote(std::size_t k, std::size_t call, std::size_t wished, std::vector<CascadeNote>& out)
    {
        const auto& note = scene_.plan->notes[k];
        CascadeNote placed;
        placed.note = k;
        placed.call = call;
        placed.own = QString::fromStdString(note.spoken);
        placed.after = QString::fromStdString(note.spoken_after);
        const double left = scale_.x(note.start_s);
        double width = 0.0;
        std::size_t row = wished % free_from_.size();
        const auto seekRow = [&](int size) {
            const QString all =
                placed.after.isEmpty() ? placed.own : placed.own + QLatin1Char(' ') + placed.after;
            width = kInset + widthOf(all, size);
            for (std::size_t d = 0; d < free_from_.size(); ++d) {
                const std::size_t candidate = (wished + d) % free_from_.size();
                if (free_from_[candidate] <= left) {
                    row = candidate;
                    placed.letter_size = size;
                    return true;
                }
            }
            return false;
        };
        if (!std::any_of(kSizes.begin(), kSizes.end(), seekRow) && !placed.after.isEmpty()) {
            placed.after.clear(); // the note itself comes first
            seekRow(kSizes.back());
        }
        const double top = layout_.voice.top() + layout_.row_height * static_cast<double>(row);
        const int bars = scene_.verdicts == nullptr ? 1 : scene_.besides.empty() ? 2 : 3;
        const double below = kBarHeight * bars + kUnderBar;
        const double words_height = layout_.row_height - below;
        if (placed.letter_size != 0) {
            free_from_[row] = left + width + kBetween;
            placed.words = QRectF(left, top, width, words_height);
        }
        placed.bar = QRectF(QPointF(left, top + words_height),
            QPointF(scale_.x(note.end_s), top + words_height + kBarHeight - 1.0));
        if (scene_.verdicts != nullptr && k < scene_.verdicts->size()) {
            const auto& verdict = (*scene_.verdicts)[k];
            placed.read_bar = placed.bar.translated(0.0, kBarHeight);
            if (verdict.heard() && !verdict.outside_take) {
                placed.read_bar.setLeft(scale_.x(verdict.start_s));
                placed.read_bar.setRight(scale_.x(verdict.end_s));
            }
        }
        if (k < scene_.besides.size() && scene_.besides[k].heard) {
            const auto& beside = scene_.besides[k];
            placed.beside_bar = placed.bar.translated(0.0, 2.0 * kBarHeight);
            placed.beside_bar.setLeft(scale_.x(beside.start_s));
            placed.beside_bar.setRight(scale_.x(beside.end_s));
        }
        const QRectF whole = placed.words.united(placed.bar).united(placed.read_bar);
        const double act = scale_.x(note.act_s); // its tether is seen until there
        if (std::max(whole.right(), act) < rect_.left() || std::min(whole.left(), act) > rect_.right()) {
            return;
        }
        if (placed.words.left() < rect_.left() || placed.words.right() > rect_.right()) {
            placed.words = {}; // an edge would cut them
        }
        out.push_back(std::move(placed));
    }

    const GapScene& scene_;
    QRectF rect_;
    GapLayout layout_;
    GapScale scale_;
    std::vector<double> free_from_; ///< by row: where its last words end
};

} // namespace

std::vector<CascadeNote> cascadeOf(const GapScene& scene, const QRectF& rect)
{
    return Cascade(scene, rect).place();
}

} // namespace brumefall::app
