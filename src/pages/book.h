/// The notebook as it is printed and as Read shows it: call lines kept whole, warnings that stand out in
/// black and white, pages turned where the plan leaves time (print/pages.h).
#pragma once

#include "print/pages.h"
#include "stage/stage.h"

#include <QColor>
#include <QFont>
#include <QRectF>
#include <QSizeF>
#include <QString>

#include <cstddef>
#include <filesystem>
#include <optional>
#include <utility>
#include <vector>

class QPainter;
class QPagedPaintDevice;

namespace brumefall::pages {

enum class Binding { left, right, top };
enum class Words { as_written, in_full, in_short };

/// How a book is wished. Lengths in millimetres.
struct BookWish {
    QSizeF paper_mm{148.0, 210.0};
    Binding binding = Binding::left;
    double letters_mm = 6.0; ///< height of a line's letters, from the top of a capital's line to its foot
    Words words = Words::as_written;
    QString date; ///< of this version, as it is printed
    QString version;

    bool operator==(const BookWish&) const = default;
};

/// The common papers, by the name that the command line and the settings have: "a5", "a6", "b6"; or
/// "120x180", in millimetres. Nothing where that is no paper of 60 to 500 mm.
[[nodiscard]] std::optional<QSizeF> paperFrom(const QString& name);

/// What stands on every page of a stage's book.
[[nodiscard]] QString titleOf(const stage::Stage& stage);

/// The colours of what is drawn; those of print by default.
struct Inks {
    QColor ink = Qt::black;
    QColor quiet = QColor(90, 90, 90);
    QColor present; ///< behind the call that is due; none where it is not valid
};

class Book {
public:
    /// Of a plan whose notes are `notes`.
    Book(const plan::Plan& plan, const notes::ParsedNotes& notes, const notes::Style& style, QString title,
        BookWish wish);

    [[nodiscard]] const std::vector<print::Page>& pages() const { return pages_; }
    [[nodiscard]] QSizeF paper_mm() const { return wish_.paper_mm; }
    /// The page whose turn is the tightest; nothing where there is but one page.
    [[nodiscard]] std::optional<std::size_t> tightest() const;
    /// The words of a call, as they stand on its page.
    [[nodiscard]] QString textOf(std::size_t call) const;
    /// Where a call stands on its page, in tenths of a millimetre.
    [[nodiscard]] QRectF placeOf(std::size_t call) const { return lines_[call].place; }

    /// Draws page `number`, from 0, in tenths of a millimetre from the paper's corner. Calls before `done`
    /// are drawn quiet, and `present` on its ground.
    void paint(QPainter& p, std::size_t number, const Inks& inks = {}, std::size_t done = 0,
        std::optional<std::size_t> present = {}) const;

    /// All pages on `device`, whose resolution is taken into account.
    void print(QPagedPaintDevice& device) const;
    /// Writes them as PDF. Throws formats::FormatError where the file cannot be written; there is then none.
    void writePdf(const std::filesystem::path& file) const;

private:
    /// A word as it is drawn.
    struct Word {
        QString text;
        bool bold = false;
        QRectF place; ///< from the corner of its call, in tenths of a millimetre
    };
    /// Notes of a call that warn: framed.
    struct Frame {
        std::vector<QRectF> places; ///< one a row
    };
    struct Line {
        std::vector<Word> words;
        std::vector<Frame> frames;
        double height = 0.0;
        QRectF place; ///< on its page
    };

    [[nodiscard]] QFont font(bool bold) const;
    [[nodiscard]] QRectF text() const; ///< where calls stand on a page
    void layOut(const plan::Plan& plan, const notes::ParsedNotes& notes, const notes::Style& style);
    void paintFoot(QPainter& p, std::size_t number, const Inks& inks) const;

    QString title_;
    BookWish wish_;
    std::vector<Line> lines_;
    std::vector<print::Page> pages_;
};

} // namespace brumefall::pages
