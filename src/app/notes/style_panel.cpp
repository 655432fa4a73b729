#include "notes/style_panel.h"

#include "formats/files.h"
#include "formats/notes_json.h"
#include "notes/grade_table.h"
#include "notes/ready_made.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QComboBox>
#include <QCoreApplication>
#include <QFileDialog>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

namespace brumefall::app {
namespace {

QString kindName(bool abbreviation)
{
    return abbreviation ? StylePanel::tr("short for") : StylePanel::tr("our word for");
}

std::string trimmedText(const QTableWidgetItem* item)
{
    return item == nullptr ? std::string() : item->text().trimmed().toStdString();
}

} // namespace

StylePanel::StylePanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , ready_made_(new QComboBox)
    , order_(new QComboBox)
    , scale_(new QComboBox)
    , hundreds_(new QComboBox)
    , evidence_(new QLabel)
    , words_(new QTableWidget(0, 3))
    , grades_(new GradeTable(document))
{
    setObjectName(QStringLiteral("stylePanel"));
    ready_made_->setMinimumContentsLength(12);
    ready_made_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    ready_made_->setObjectName(QStringLiteral("readyMade"));
    ready_made_->addItem(tr("Start from a ready-made style\u2026"));
    for (const auto& style : notes::readyMadeStyles()) {
        ready_made_->addItem(QCoreApplication::translate("style", style.name.c_str()));
    }
    order_->setObjectName(QStringLiteral("styleOrder"));
    order_->addItems(
        {tr("as the notes show"), tr("number first: four left"), tr("direction first: left four")});
    scale_->setObjectName(QStringLiteral("styleScale"));
    scale_->addItems(
        {tr("as the notes show"), tr("a higher number is faster"), tr("a lower number is faster")});
    hundreds_->setObjectName(QStringLiteral("styleHundreds"));
    hundreds_->addItems({tr("one fifty"), tr("a hundred and fifty")});
    evidence_->setObjectName(QStringLiteral("styleEvidence"));
    evidence_->setWordWrap(true);
    evidence_->setTextFormat(Qt::PlainText);
    words_->setObjectName(QStringLiteral("styleWords"));
    words_->setAccessibleName(tr("Our own words"));
    words_->setHorizontalHeaderLabels({tr("written or said"), tr("is"), tr("in plain words")});
    words_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    words_->verticalHeader()->hide();
    words_->setSelectionBehavior(QAbstractItemView::SelectRows);
    words_->setTabKeyNavigation(false);
    words_->setToolTip(tr("A grade of your own is a word too: “bullet” is our word for “six”. "
                          "Leave the plain words empty for a word that says nothing."));

    auto* grid = new QGridLayout;
    grid->addWidget(ready_made_, 0, 0, 1, 2);
    const auto row = [&](int at, const QString& name, QWidget* field) {
        grid->addWidget(new QLabel(name), at, 0);
        grid->addWidget(field, at, 1);
    };
    row(1, tr("Order"), order_);
    row(2, tr("Scale"), scale_);
    row(3, tr("150 is said"), hundreds_);
    grid->setColumnStretch(1, 1);
    auto* buttons = new FlowLayout;
    const auto button = [&](const QString& text, const char* name, void (StylePanel::*act)()) {
        makeCompact(addButton(buttons, text, name, [this, act] { (this->*act)(); }));
    };
    button(tr("Add a word"), "addWord", &StylePanel::addWord);
    button(tr("Remove"), "removeWord", &StylePanel::removeWord);
    button(tr("Load\u2026"), "importStyle", &StylePanel::importStyle);
    button(tr("Save as a file\u2026"), "exportStyle", &StylePanel::exportStyle);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(grid);
    layout->addWidget(evidence_);
    layout->addWidget(words_, 1);
    words_->setMinimumSize(100, 110);
    grades_->setMinimumSize(100, 130);
    layout->addWidget(grades_, 1);
    layout->addLayout(buttons);

    connect(ready_made_, &QComboBox::activated, this, &StylePanel::chooseReadyMade);
    for (auto* box : {order_, scale_, hundreds_}) {
        connect(box, &QComboBox::activated, this, &StylePanel::takeChoices);
        box->setMinimumContentsLength(12);
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    }
    connect(words_, &QTableWidget::itemChanged, this, &StylePanel::takeWords);
    auto* when_seen = new WhenSeen(this, [this] { show_(); });
    connect(&document_, &Document::notesChanged, when_seen, &WhenSeen::ask);
}

void StylePanel::show_()
{
    showing_ = true;
    const auto& style = document_.stage().style;
    order_->setCurrentIndex(!style.order ? 0 : *style.order == notes::Order::number_first ? 1 : 2);
    scale_->setCurrentIndex(!style.scale ? 0 : *style.scale == notes::Scale::ascending ? 1 : 2);
    hundreds_->setCurrentIndex(style.hundreds == notes::HundredsSaid::short_form ? 0 : 1);
    QString why;
    for (const auto& evidence : document_.prepared().notes.style.evidence) {
        const QString says = QString::fromStdString(evidence.says);
        why += (why.isEmpty() ? QString() : QStringLiteral("\n"))
            + (evidence.line > 0 ? tr("Line %1: %2.").arg(evidence.line).arg(says) : says + QLatin1Char('.'));
    }
    evidence_->setText(why.isEmpty() ? tr("The notes show neither order nor scale yet.") : why);
    words_->setRowCount(0);
    const auto add = [&](const std::string& written, const std::string& means, bool abbreviation) {
        const int row = words_->rowCount();
        words_->insertRow(row);
        words_->setItem(row, kWritten, new QTableWidgetItem(QString::fromStdString(written)));
        auto* kind = new QTableWidgetItem(kindName(abbreviation));
        kind->setData(Qt::UserRole, abbreviation);
        kind->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        words_->setItem(row, kKind, kind);
        words_->setItem(row, kMeans, new QTableWidgetItem(QString::fromStdString(means)));
    };
    for (const auto& [said, means] : style.words) {
        add(said, means, false);
    }
    for (const auto& [brief, words] : style.abbreviations) {
        add(brief, words, true);
    }
    grades_->refresh();
    showing_ = false;
}

void StylePanel::chooseReadyMade(int index)
{
    ready_made_->setCurrentIndex(0);
    if (index < 1) {
        return;
    }
    auto style = notes::readyMadeStyles()[static_cast<std::size_t>(index - 1)];
    const auto& own = document_.stage().style; // the crew's own words stay, whatever the school
    style.words.insert(own.words.begin(), own.words.end());
    style.abbreviations.insert(own.abbreviations.begin(), own.abbreviations.end());
    document_.setStyle(
        style, tr("Start from \u201c%1\u201d").arg(QCoreApplication::translate("style", style.name.c_str())));
}

void StylePanel::takeChoices()
{
    auto style = document_.stage().style;
    style.order.reset();
    style.scale.reset();
    if (order_->currentIndex() > 0) {
        style.order =
            order_->currentIndex() == 1 ? notes::Order::number_first : notes::Order::direction_first;
    }
    if (scale_->currentIndex() > 0) {
        style.scale = scale_->currentIndex() == 1 ? notes::Scale::ascending : notes::Scale::descending;
    }
    style.hundreds =
        hundreds_->currentIndex() == 0 ? notes::HundredsSaid::short_form : notes::HundredsSaid::long_form;
    document_.setStyle(style, tr("Change how the notes are read"));
}

void StylePanel::takeWords()
{
    if (showing_) {
        return;
    }
    auto style = document_.stage().style;
    style.words.clear();
    style.abbreviations.clear();
    for (int row = 0; row < words_->rowCount(); ++row) {
        const auto written = trimmedText(words_->item(row, kWritten));
        const auto means = trimmedText(words_->item(row, kMeans));
        const bool abbreviation = words_->item(row, kKind)->data(Qt::UserRole).toBool();
        if (!written.empty()) {
            (abbreviation ? style.abbreviations : style.words)[written] = means;
        }
    }
    document_.setStyle(style, tr("Change the crew's words"));
}

void StylePanel::addWord()
{
    showing_ = true;
    words_->insertRow(0);
    words_->setItem(0, kWritten, new QTableWidgetItem);
    auto* kind = new QTableWidgetItem(kindName(false));
    kind->setData(Qt::UserRole, false);
    kind->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
    words_->setItem(0, kKind, kind);
    words_->setItem(0, kMeans, new QTableWidgetItem);
    showing_ = false;
    words_->setCurrentCell(0, kWritten);
    words_->editItem(words_->item(0, kWritten));
}

void StylePanel::removeWord()
{
    if (words_->currentRow() >= 0) {
        words_->removeRow(words_->currentRow());
        takeWords();
    }
}

void StylePanel::exportStyle()
{
    const QString file = QFileDialog::getSaveFileName(
        this, tr("Save the crew's language"), QStringLiteral("our language.json"), tr("JSON (*.json)"));
    if (file.isEmpty()) {
        return;
    }
    try {
        formats::writeStyle(file.toStdString(), document_.stage().style);
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void StylePanel::importStyle()
{
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Load a crew's language"), QString(), tr("JSON (*.json)"));
    if (file.isEmpty()) {
        return;
    }
    try {
        document_.setStyle(formats::readStyle(file.toStdString()), tr("Load a crew's language"));
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

} // namespace brumefall::app
