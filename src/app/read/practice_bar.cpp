#include "read/practice_bar.h"

#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QCheckBox>
#include <QSettings>
#include <QSignalBlocker>
#include <QSpinBox>

#include <algorithm>
#include <array>

namespace brumefall::app {
namespace {

/// What a way is called.
constexpr std::array kRates{0.5, 0.6, 0.7, 0.8, 0.9, 1.0, 1.1, 1.2, 1.3};

} // namespace

QString nameOf(take::Way way)
{
    switch (way) {
    case take::Way::guided: return QObject::tr("guided");
    case take::Way::page_only: return QObject::tr("page only");
    case take::Way::listen_first: return QObject::tr("listen first");
    case take::Way::stretch: return QObject::tr("stretch until clean");
    case take::Way::thrown_in: return QObject::tr("thrown in");
    case take::Way::lost: return QObject::tr("lost page");
    case take::Way::drivers_ear: return QObject::tr("the driver's ear");
    }
    return {};
}

QString wordsOf(take::Way way)
{
    switch (way) {
    case take::Way::guided: return QObject::tr("when to start each call is shown");
    case take::Way::page_only: return QObject::tr("nothing but the page, as in the car");
    case take::Way::listen_first: return QObject::tr("the guide voice reads it once, then you");
    case take::Way::stretch:
        return QObject::tr("the chosen notes again and again, until they were clean in a row");
    case take::Way::thrown_in: return QObject::tr("begins somewhere: find the place on the page");
    case take::Way::lost: return QObject::tr("the page goes blank now and then");
    case take::Way::drivers_ear:
        return QObject::tr("the driver hears the calls and says earlier (E) or later (L)");
    }
    return {};
}

PracticeBar::PracticeBar(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , way_(new QComboBox)
    , rate_(new QComboBox)
    , first_(new QSpinBox)
    , last_(new QSpinBox)
    , clean_(new QSpinBox)
    , noise_(new QCheckBox(tr("noise")))
    , printed_(new QCheckBox(tr("printed")))
{
    setObjectName(QStringLiteral("practiceBar"));
    way_->setObjectName(QStringLiteral("wayChoice"));
    way_->setAccessibleName(tr("Way to practise"));
    for (int i = 0; i < take::kWays; ++i) {
        way_->addItem(nameOf(static_cast<take::Way>(i)), i);
        way_->setItemData(i, wordsOf(static_cast<take::Way>(i)), Qt::ToolTipRole);
    }
    rate_->setObjectName(QStringLiteral("paceChoice"));
    rate_->setAccessibleName(tr("How fast, of the pace"));
    for (const double rate : kRates) {
        rate_->addItem(QStringLiteral("%1\u00d7").arg(rate, 0, 'f', 1), rate);
    }
    rate_->setCurrentIndex(rate_->findText(QStringLiteral("1.0\u00d7")));
    first_->setObjectName(QStringLiteral("firstNote"));
    first_->setAccessibleName(tr("First note to read"));
    first_->setSpecialValueText(tr("here"));
    last_->setObjectName(QStringLiteral("lastNote"));
    last_->setAccessibleName(tr("Last note to read"));
    last_->setSpecialValueText(tr("end"));
    clean_->setObjectName(QStringLiteral("cleanReadings"));
    clean_->setAccessibleName(tr("Clean readings in a row"));
    clean_->setRange(1, 9);
    clean_->setValue(3);
    clean_->setSuffix(tr(" clean in a row"));
    noise_->setObjectName(QStringLiteral("noiseChoice"));
    noise_->setToolTip(tr("A car's noise under it"));
    printed_->setObjectName(QStringLiteral("printedChoice"));
    printed_->setToolTip(tr("Pages as they are printed, with their turns"));
    way_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    rate_->setMaximumWidth(76);
    first_->setMaximumWidth(80);
    last_->setMaximumWidth(80);

    auto* row = new FlowLayout(6, this);
    const auto label = [&](const QString& words) {
        auto* text = new QLabel(words);
        text->setMinimumHeight(30);
        row->addWidget(text);
    };
    label(tr("Practise"));
    row->addWidget(way_);
    row->addWidget(rate_);
    label(tr("notes"));
    row->addWidget(first_);
    label(tr("to"));
    row->addWidget(last_);
    row->addWidget(clean_);
    for (QCheckBox* box : {noise_, printed_}) {
        box->setMinimumHeight(30);
        row->addWidget(box);
        connect(box, &QCheckBox::toggled, this, &PracticeBar::changed);
    }
    QSettings settings;
    if (const auto way = take::wayFrom(settings.value(QStringLiteral("read/way")).toString().toStdString())) {
        way_->setCurrentIndex(static_cast<int>(*way));
    }
    printed_->setChecked(settings.value(QStringLiteral("read/printed")).toBool());
    connect(way_, &QComboBox::currentIndexChanged, this, [this] {
        QSettings().setValue(QStringLiteral("read/way"), QString::fromStdString(take::toString(wish().way)));
        showWay();
        emit changed();
    });
    connect(printed_, &QCheckBox::toggled, this,
        [](bool printed) { QSettings().setValue(QStringLiteral("read/printed"), printed); });
    connect(rate_, &QComboBox::currentIndexChanged, this, &PracticeBar::changed);
    for (QSpinBox* note : {first_, last_}) {
        connect(note, &QSpinBox::valueChanged, this, &PracticeBar::changed);
    }
    connect(&document_, &Document::planChanged, this, &PracticeBar::fitNotes);
    connect(&document_, &Document::opened, this, [this] { setNotes(0, 0); });
    fitNotes();
    showWay();
}

void PracticeBar::fitNotes()
{
    const auto count = static_cast<int>(document_.prepared().plan.notes.size());
    first_->setRange(0, count);
    last_->setRange(0, count);
}

void PracticeBar::showWay()
{
    const auto way = wish().way;
    const QFontMetrics letters(way_->font());
    const int width =
        letters.horizontalAdvance(way_->currentText()) / letters.horizontalAdvance(QLatin1Char('X'));
    way_->setMinimumContentsLength(std::max(9, width - 1)); // the place of an icon is in it
    const bool loops = way == take::Way::stretch;
    clean_->setVisible(loops);
    const bool anywhere = way == take::Way::thrown_in;
    first_->setEnabled(!anywhere);
    last_->setEnabled(!anywhere);
}

void PracticeBar::setWay(take::Way way)
{
    const QSignalBlocker quiet(way_); // the crew's own choice is not forgotten for it
    way_->setCurrentIndex(static_cast<int>(way));
    showWay();
}

void PracticeBar::setNotes(int first, int last)
{
    first_->setValue(first);
    last_->setValue(last);
}

bool PracticeBar::wantsPrintedPages() const
{
    return printed_->isChecked();
}

Practice::Wish PracticeBar::wish() const
{
    Practice::Wish wish;
    wish.way = static_cast<take::Way>(way_->currentIndex());
    wish.rate = rate_->currentData().toDouble();
    wish.clean = clean_->value();
    wish.noise = noise_->isChecked();
    const auto& notes = document_.prepared().plan.notes;
    // the numbers count the notes of the road; an echo has that of what it says again
    if (first_->value() > 0 || last_->value() > 0) {
        wish.last = notes.size();
        for (std::size_t k = 0; k < notes.size(); ++k) {
            const int number = document_.numberOf(notes[k].id);
            if (notes[k].echo_of.empty() && number == first_->value()) {
                wish.first = k;
            }
            if (notes[k].echo_of.empty() && number == last_->value()) {
                wish.last = k + 1;
            }
        }
        if (first_->value() == 0) {
            wish.first = 0;
        }
    }
    return wish;
}

} // namespace brumefall::app
