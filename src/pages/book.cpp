#include "pages/book.h"

#include "formats/files.h"
#include "notes/printer.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QFontMetricsF>
#include <QPageLayout>
#include <QPainter>
#include <QPdfWriter>

#include <algorithm>
#include <cmath>
#include <map>

namespace brumefall::pages {
namespace {

constexpr double kUnits = 10.0; ///< a millimetre
constexpr double kBound_mm = 15.0; ///< on the side of the binding
constexpr double kFree_mm = 7.0;
constexpr double kFoot_mm = 11.0;
constexpr double kBetween = 0.55; ///< lines' letters between two calls
constexpr double kFramed = 0.16; ///< lines' letters around words in a frame
constexpr double kSmall_mm = 3.0;

QString tr(const char* words)
{
    return QCoreApplication::translate("Book", words);
}

/// It stands out: a warning, the crew's own underlining, or what must not be done.
bool standsOut(const notes::Note& note)
{
    return note.underlined || !note.warnings.empty();
}

bool forbids(const QString& word, const QString& next)
{
    const bool no = word.compare(QStringLiteral("don't"), Qt::CaseInsensitive) == 0
        || word.compare(QStringLiteral("no"), Qt::CaseInsensitive) == 0;
    return word.compare(QStringLiteral("dc"), Qt::CaseInsensitive) == 0
        || (no && next.compare(QStringLiteral("cut"), Qt::CaseInsensitive) == 0);
}

/// One note in words.
QString wordsOf(
    const notes::Note& note, const notes::ParsedNotes& notes, const notes::Style& style, Words how)
{
    if (how == Words::as_written) {
        return QString::fromStdString(note.text);
    }
    notes::ParsedNotes alone;
    alone.style = notes.style;
    notes::Call call;
    call.notes.push_back(note);
    alone.calls.push_back(std::move(call));
    const auto text = how == Words::in_full ? notes::printSpoken(alone) : notes::printBrief(alone, style);
    return QString::fromStdString(text).simplified();
}

} // namespace

std::optional<QSizeF> paperFrom(const QString& name)
{
    static const std::map<QString, QSizeF> kPapers{{QStringLiteral("a5"), {148.0, 210.0}},
        {QStringLiteral("a6"), {105.0, 148.0}}, {QStringLiteral("b6"), {125.0, 176.0}}};
    if (const auto known = kPapers.find(name.toLower()); known != kPapers.end()) {
        return known->second;
    }
    const auto sides = name.toLower().split(QLatin1Char('x'));
    bool wide = false;
    bool high = false;
    const QSizeF own =
        sides.size() == 2 ? QSizeF(sides[0].toDouble(&wide), sides[1].toDouble(&high)) : QSizeF();
    const auto usable = [](double mm) { return mm >= 60.0 && mm <= 500.0; };
    return wide && high && usable(own.width()) && usable(own.height()) ? std::optional(own) : std::nullopt;
}

QString titleOf(const stage::Stage& stage)
{
    const QString name = QString::fromStdString(stage.name);
    return stage.crew.empty() ? name
                              : name + QStringLiteral("  \u00b7  ") + QString::fromStdString(stage.crew);
}

Book::Book(const plan::Plan& plan, const notes::ParsedNotes& notes, const notes::Style& style, QString title,
    BookWish wish)
    : title_(std::move(title))
    , wish_(std::move(wish))
{
    layOut(plan, notes, style);
    std::vector<double> heights;
    const double between = kBetween * kUnits * wish_.letters_mm;
    for (const Line& line : lines_) {
        heights.push_back(line.height + between);
    }
    pages_ = print::turnPages(plan, heights, text().height() + between);
    for (const print::Page& page : pages_) {
        double y = text().top();
        for (std::size_t c = page.first; c < page.last; ++c) {
            lines_[c].place = {text().left(), y, text().width(), lines_[c].height};
            y += heights[c];
        }
    }
}

QFont Book::font(bool bold) const
{
    QFont f(QStringLiteral("B612"));
    f.setPixelSize(static_cast<int>(std::lround(kUnits * wish_.letters_mm)));
    f.setBold(bold);
    return f;
}

QRectF Book::text() const
{
    const auto margin = [&](Binding side) { return kUnits * (wish_.binding == side ? kBound_mm : kFree_mm); };
    const double top = margin(Binding::top);
    const double left = margin(Binding::left);
    return {left, top, kUnits * wish_.paper_mm.width() - left - margin(Binding::right),
        kUnits * (wish_.paper_mm.height() - kFoot_mm) - top};
}

void Book::layOut(const plan::Plan& plan, const notes::ParsedNotes& notes, const notes::Style& style)
{
    std::map<std::string, const notes::Note*> by_id;
    std::map<int, const notes::Call*> by_line;
    for (const auto& call : notes.calls) {
        by_line.emplace(call.line, &call);
        for (const auto& note : call.notes) {
            by_id.emplace(note.id, &note);
        }
    }
    const QFontMetricsF plain(font(false));
    const QFontMetricsF bold(font(true));
    const double row = bold.height() * 1.08;
    const double space = plain.horizontalAdvance(QLatin1Char(' '));
    const double pad = kFramed * kUnits * wish_.letters_mm;
    for (const auto& call : plan.calls) {
        Line line;
        double x = 0.0;
        double y = 0.0;
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& planned = plan.notes[k];
            const auto it = by_id.find(planned.echo_of.empty() ? planned.id : planned.echo_of);
            const notes::Note* note = it == by_id.end() ? nullptr : it->second;
            const bool echo = !planned.echo_of.empty();
            const QString words = note == nullptr || echo ? QString::fromStdString(planned.text)
                                                          : wordsOf(*note, notes, style, wish_.words);
            const bool framed = note != nullptr && !echo && standsOut(*note);
            const auto parts = words.split(QLatin1Char(' '), Qt::SkipEmptyParts);
            Frame frame;
            bool forbidden = false;
            for (qsizetype w = 0; w < parts.size(); ++w) {
                const QString next = w + 1 < parts.size() ? parts[w + 1] : QString();
                const bool cut = std::exchange(forbidden, forbids(parts[w], next) && !next.isEmpty());
                Word word{parts[w], framed || cut || forbids(parts[w], next), {}};
                const double width = (word.bold ? bold : plain).horizontalAdvance(word.text);
                if (x > 0.0 && x + width + (framed ? pad : 0.0) > text().width()) {
                    x = 0.0;
                    y += row;
                }
                if (framed && (frame.places.empty() || frame.places.back().top() + pad < y - 1.0)) {
                    x += pad;
                    frame.places.emplace_back(x - pad, y, pad, row);
                }
                word.place = {x, y, width, row};
                if (framed) {
                    frame.places.back().setRight(x + width + pad);
                }
                x += width + space;
                line.words.push_back(std::move(word));
            }
            if (framed && !frame.places.empty()) {
                x += pad;
                line.frames.push_back(std::move(frame));
            }
        }
        line.height = y + row;
        lines_.push_back(std::move(line));
    }
}

QString Book::textOf(std::size_t call) const
{
    QStringList words;
    for (const Word& word : lines_[call].words) {
        words << word.text;
    }
    return words.join(QLatin1Char(' '));
}

std::optional<std::size_t> Book::tightest() const
{
    if (pages_.size() < 2) {
        return {};
    }
    const auto tight = std::min_element(pages_.begin(), pages_.end() - 1,
        [](const print::Page& a, const print::Page& b) { return a.turn_s < b.turn_s; });
    return static_cast<std::size_t>(tight - pages_.begin());
}

void Book::paint(QPainter& p, std::size_t number, const Inks& inks, std::size_t done,
    std::optional<std::size_t> present) const
{
    if (number >= pages_.size()) {
        return;
    }
    const double pad = kFramed * kUnits * wish_.letters_mm;
    for (std::size_t c = pages_[number].first; c < pages_[number].last; ++c) {
        const Line& line = lines_[c];
        if (c == present && inks.present.isValid()) {
            p.setPen(Qt::NoPen);
            p.setBrush(inks.present);
            p.drawRoundedRect(line.place.adjusted(-2.5 * pad, -pad, 2.5 * pad, pad), 10.0, 10.0);
        }
        const QColor& ink = c < done ? inks.quiet : inks.ink;
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(ink, 0.09 * kUnits * wish_.letters_mm));
        for (const Frame& frame : line.frames) {
            for (const QRectF& place : frame.places) {
                p.drawRect(place.translated(line.place.topLeft()).adjusted(0.0, 2.0, 0.0, -2.0));
            }
        }
        p.setPen(ink);
        for (const Word& word : line.words) {
            p.setFont(font(word.bold));
            p.drawText(word.place.translated(line.place.topLeft()).adjusted(0.0, 0.0, 20.0, 0.0),
                Qt::AlignLeft | Qt::AlignVCenter | Qt::TextSingleLine, word.text);
        }
    }
    paintFoot(p, number, inks);
}

void Book::paintFoot(QPainter& p, std::size_t number, const Inks& inks) const
{
    QFont small = font(false);
    small.setPixelSize(static_cast<int>(kUnits * kSmall_mm));
    const print::Page& page = pages_[number];
    const QRectF foot(text().left(), kUnits * (wish_.paper_mm.height() - kFoot_mm + 1.5), text().width(),
        kUnits * (kFoot_mm - 4.0));
    p.setPen(QPen(inks.quiet, 1.0));
    p.drawLine(foot.topLeft(), foot.topRight());
    p.setFont(small);
    p.setPen(inks.ink);
    const QRectF first = foot.adjusted(0.0, 5.0, 0.0, 0.0);
    QString turn;
    if (number + 1 < pages_.size()) {
        turn = tr("turn: %1 s").arg(page.turn_s, 0, 'f', 1);
        if (page.in_squeeze) {
            turn += tr(", in a squeeze");
        }
        if (tightest() == number) {
            turn += tr(", the tightest");
        }
    }
    p.drawText(first, Qt::AlignRight | Qt::AlignTop, turn);
    const double room = first.width() - QFontMetricsF(small).horizontalAdvance(turn) - 20.0;
    const QString which = tr("page %1 of %2").arg(number + 1).arg(pages_.size());
    QStringList head{which};
    if (!wish_.version.isEmpty()) {
        head << wish_.version;
    }
    if (!wish_.date.isEmpty()) {
        head << wish_.date;
    }
    const QString rest = QStringLiteral("  \u00b7  ") + head.join(QStringLiteral("  \u00b7  "));
    const QFontMetricsF metrics(small);
    p.drawText(first, Qt::AlignLeft | Qt::AlignTop,
        metrics.elidedText(title_, Qt::ElideRight, std::max(0.0, room - metrics.horizontalAdvance(rest)))
            + rest);
    small.setPixelSize(static_cast<int>(kUnits * kSmall_mm * 0.82));
    p.setFont(small);
    p.setPen(inks.quiet);
    p.drawText(foot, Qt::AlignLeft | Qt::AlignBottom,
        QFontMetricsF(small).elidedText(
            tr("Verify on the recce. The driver, the marshals and the officials come before these notes."),
            Qt::ElideRight, foot.width()));
}

void Book::print(QPagedPaintDevice& device) const
{
    QPainter p(&device);
    const double units = device.logicalDpiX() / 25.4 / kUnits;
    for (std::size_t number = 0; number < pages_.size(); ++number) {
        if (number > 0) {
            device.newPage();
        }
        p.resetTransform();
        p.scale(units, units);
        paint(p, number);
    }
}

void Book::writePdf(const std::filesystem::path& file) const
{
    QByteArray bytes;
    {
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        QPdfWriter writer(&buffer);
        writer.setTitle(title_);
        writer.setCreator(QStringLiteral("Brumefall"));
        writer.setResolution(1200);
        writer.setPageLayout(
            QPageLayout(QPageSize(wish_.paper_mm, QPageSize::Millimeter, QString(), QPageSize::ExactMatch),
                QPageLayout::Portrait, QMarginsF(0, 0, 0, 0)));
        print(writer);
    }
    formats::writeFile(file, std::string_view(bytes.constData(), static_cast<std::size_t>(bytes.size())));
}

} // namespace brumefall::pages
