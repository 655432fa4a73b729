#include "widgets/start_page.h"

#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QDir>
#include <QFileInfo>

namespace brumefall::app {
namespace {

constexpr int kWidth = 460;
constexpr int kMostRecent = 5;

} // namespace

StartPage::StartPage(QWidget* parent)
    : QWidget(parent)
    , choices_(new QVBoxLayout)
    , recents_(new QVBoxLayout)
    , recent_(new QLabel(tr("Open again")))
{
    setObjectName(QStringLiteral("startPage"));
    auto* head = heading(tr("Begin with a stage"));
    auto* says =
        new QLabel(tr("A stage is a folder: its notes, its videos, your takes. Begin a new one, or look "
                      "round in the demo first."));
    says->setWordWrap(true);
    says->setProperty("quiet", true);
    recent_->setProperty("quiet", true);
    auto* fresh = add(tr("New stage\u2026"), "startNew");
    write_ = add(tr("Write notes now, name the stage later"), "startWrite");
    auto* open = add(tr("Open a stage\u2026"), "startOpen");
    demo_ = add(tr("Look round in the demo, Lantern Pass"), "startDemo");
    connect(fresh, &QPushButton::clicked, this, &StartPage::newWanted);
    connect(write_, &QPushButton::clicked, this, &StartPage::writeWanted);
    connect(open, &QPushButton::clicked, this, &StartPage::openWanted);
    connect(demo_, &QPushButton::clicked, this, &StartPage::demoWanted);
    bindButton(fresh, QKeyCombination(Qt::Key_N));
    bindButton(write_, QKeyCombination(Qt::Key_W));
    bindButton(open, QKeyCombination(Qt::Key_O));
    bindButton(demo_, QKeyCombination(Qt::Key_D));

    auto* column = new QWidget;
    column->setFixedWidth(kWidth);
    auto* inside = new QVBoxLayout(column);
    inside->setSpacing(8);
    inside->addWidget(head);
    inside->addWidget(says);
    inside->addSpacing(6);
    inside->addLayout(choices_);
    inside->addSpacing(10);
    inside->addWidget(recent_);
    inside->addLayout(recents_);
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->addStretch(1);
    layout->addWidget(column, 0, Qt::AlignHCenter);
    layout->addStretch(2);
    auto* outside = new QVBoxLayout(this);
    outside->setContentsMargins(0, 0, 0, 0);
    outside->addWidget(scrolled(page));
    beginAt(this, fresh);
}

QPushButton* StartPage::add(const QString& text, const char* name)
{
    auto* button = addButton(choices_, text, name, [] {});
    button->setMinimumHeight(40);
    return button;
}

void StartPage::show(const QStringList& recent, bool unnamed, bool has_demo)
{
    while (QLayoutItem* item = recents_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    int listed = 0;
    for (const QString& folder : recent) {
        if (listed == kMostRecent || !QFileInfo::exists(folder + QStringLiteral("/stage.brumefall"))) {
            continue;
        }
        const QFileInfo about(folder);
        auto* button =
            addButton(recents_, tr("%1   in %2").arg(about.fileName(), QDir(about.path()).dirName()),
                "startRecent", [this, folder] { emit stageWanted(folder); });
        button->setToolTip(folder);
        bindButton(button, QKeyCombination(static_cast<Qt::Key>(Qt::Key_1 + listed)));
        ++listed;
    }
    recent_->setVisible(listed > 0);
    write_->setText((unnamed ? tr("Go on with the notes that have no stage yet")
                             : tr("Write notes now, name the stage later"))
        + QStringLiteral(" (W)"));
    demo_->setEnabled(has_demo);
}

} // namespace brumefall::app
