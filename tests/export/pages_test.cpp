/// The notebook on paper.
#include "demo.h"
#include "pages/book.h"
#include "support.h"

#include <QImage>
#include <QPainter>

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

using namespace brumefall;
using namespace brumefall::pages;

namespace {

class BookTest : public testing::Test {
protected:
    void SetUp() override
    {
        stage_ = stage::readStage(kDemo / "stage.brumefall");
        const auto pass = stage::readPass(kDemo / "passes" / "stage.json");
        prepared_ = stage::prepare(stage_, &pass);
    }
    [[nodiscard]] Book book(const BookWish& wish = {}) const
    {
        return {prepared_.plan, prepared_.notes, stage_.style, QStringLiteral("Lantern Pass"), wish};
    }
    /// A page in grey, at `dpi`.
    static QImage drawn(const Book& book, std::size_t number, double dpi = 60.0)
    {
        const double scale = dpi / 254.0; // tenths of a millimetre
        const QSizeF size = 10.0 * scale * book.paper_mm();
        QImage image(size.toSize(), QImage::Format_Grayscale8);
        image.fill(255);
        QPainter p(&image);
        p.setRenderHint(QPainter::Antialiasing);
        p.scale(scale, scale);
        book.paint(p, number);
        return image;
    }
    /// By how much two pictures differ, in the mean of small fields: type is drawn a little otherwise
    /// elsewhere.
    static double difference(const QImage& a, const QImage& b)
    {
        const QImage one = a.scaled(a.size() / 6, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
        const QImage other = b.scaled(a.size() / 6, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
        double sum = 0.0;
        for (int y = 0; y < one.height(); ++y) {
            for (int x = 0; x < one.width(); ++x) {
                sum += std::abs(qGray(one.pixel(x, y)) - qGray(other.pixel(x, y)));
            }
        }
        return sum / (one.width() * one.height());
    }

    stage::Stage stage_;
    stage::Prepared prepared_;
};

} // namespace

TEST_F(BookTest, LooksAsItDid)
{
    const Book demo = book();
    for (const std::size_t number : {0U, 1U}) {
        const auto file =
            std::filesystem::path(GOLDEN_FOLDER) / ("page-" + std::to_string(number + 1) + ".png");
        const QImage page = drawn(demo, number);
        if (std::getenv("BRUMEFALL_NEW_GOLDEN") != nullptr) {
            page.save(QString::fromStdString(file.string()));
        }
        const QImage golden = QImage(QString::fromStdString(file.string())).convertToFormat(page.format());
        ASSERT_EQ(golden.size(), page.size()) << file;
        EXPECT_LT(difference(page, golden), 2.0) << file;
        EXPECT_GT(difference(drawn(demo, number + 2), golden), 4.0) << "another page is told from it";
    }
}

TEST_F(BookTest, EveryCallStandsWholeOnOnePageAndInsideItsMargins)
{
    for (const auto& paper :
        {QStringLiteral("a5"), QStringLiteral("a6"), QStringLiteral("b6"), QStringLiteral("90x140")}) {
        for (const Binding binding : {Binding::left, Binding::right, Binding::top}) {
            BookWish wish;
            wish.paper_mm = *paperFrom(paper);
            wish.binding = binding;
            const Book made = book(wish);
            std::set<std::size_t> seen;
            for (const auto& page : made.pages()) {
                double below = 0.0;
                for (std::size_t c = page.first; c < page.last; ++c) {
                    EXPECT_TRUE(seen.insert(c).second);
                    const QRectF place = made.placeOf(c);
                    EXPECT_GE(place.top(), below) << "calls overlap";
                    below = place.bottom();
                    EXPECT_LE(place.bottom(), 10.0 * wish.paper_mm.height()) << paper.toStdString();
                    EXPECT_GE(place.left(), binding == Binding::left ? 150.0 : 70.0);
                }
            }
            EXPECT_EQ(seen.size(), prepared_.plan.calls.size());
        }
    }
}

TEST_F(BookTest, FullWordsAndShorthandSayTheSameInOtherWords)
{
    BookWish wish;
    const Book written = book(wish);
    wish.words = Words::in_full;
    const Book full = book(wish);
    wish.words = Words::in_short;
    const Book brief = book(wish);
    EXPECT_EQ(written.textOf(0), QString::fromStdString(prepared_.plan.calls[0].text));
    EXPECT_TRUE(full.textOf(0).contains(QStringLiteral("sixty"))) << full.textOf(0).toStdString();
    EXPECT_LT(brief.textOf(0).size(), written.textOf(0).size()) << brief.textOf(0).toStdString();
    EXPECT_LE(brief.pages().size(), written.pages().size());
}

TEST_F(BookTest, WarningsStandOutInBlackAndWhite)
{
    const Book demo = book();
    const auto& calls = prepared_.plan.calls;
    const auto page = drawn(demo, 0, 127.0);
    const auto inkOf = [&](std::size_t call) {
        const QRectF place = demo.placeOf(call);
        double dark = 0.0;
        for (int y = static_cast<int>(place.top() / 2); y < static_cast<int>(place.bottom() / 2); ++y) {
            for (int x = static_cast<int>(place.left() / 2); x < static_cast<int>(place.right() / 2); ++x) {
                dark += 255 - qGray(page.pixel(x, y));
            }
        }
        return dark / static_cast<double>(calls[call].text.size());
    };
    ASSERT_EQ(calls[3].text, "caution hairpin left opens 40");
    EXPECT_GT(inkOf(3), 1.5 * inkOf(2)) << "bold and framed: " << calls[2].text;
}

TEST_F(BookTest, IsNotTurnedInsideASqueezeWhereThatCanBeHelped)
{
    const Book demo = book();
    ASSERT_GE(demo.pages().size(), 3U);
    ASSERT_TRUE(demo.tightest().has_value());
    const double tight_s = demo.pages()[*demo.tightest()].turn_s;
    for (const auto& page : demo.pages()) {
        EXPECT_FALSE(page.in_squeeze);
        EXPECT_TRUE(page.turn_s >= tight_s || &page == &demo.pages().back());
    }
}

TEST(Paper, IsNamedOrMeasured)
{
    EXPECT_EQ(paperFrom(QStringLiteral("A6")), QSizeF(105, 148));
    EXPECT_EQ(paperFrom(QStringLiteral("120x180")), QSizeF(120, 180));
    for (const auto& none : {QStringLiteral("a9"), QStringLiteral("12x18"), QStringLiteral("x"), QString(),
             QStringLiteral("nanx100"), QStringLiteral("1e9x100")}) {
        EXPECT_EQ(paperFrom(none), std::nullopt) << none.toStdString();
    }
}
