#include "notes/grade_table.h"

#include "theme/theme.h"

#include <QHeaderView>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

notes::Grade gradeCalled(const std::string& name)
{
    const bool number =
        !name.empty() && std::all_of(name.begin(), name.end(), [](char c) { return c >= '0' && c <= '9'; });
    return number && name.size() < 3 ? notes::Grade{std::stoi(name), {}} : notes::Grade{0, name};
}

} // namespace

GradeTable::GradeTable(Document& document, QWidget* parent)
    : QTableWidget(0, kColumns, parent)
    , document_(document)
{
    setObjectName(QStringLiteral("gradeSizes"));
    setAccessibleName(tr("How the grades are bent"));
    setHorizontalHeaderLabels({tr("grade"), tr("radius, m"), tr("turns, \u00b0")});
    horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    verticalHeader()->hide();
    setTabKeyNavigation(false);
    setToolTip(tr("The road is drawn and measured with these. Empty a cell to take the usual size again."));
    connect(this, &QTableWidget::itemChanged, this, &GradeTable::takeSize);
}

void GradeTable::refresh()
{
    const auto& parsed = document_.prepared().notes;
    const road::Grades grades(parsed.style.scale, document_.stage().style.grade_sizes);
    std::vector<notes::Grade> shown;
    const auto add = [&](const notes::Grade& grade) {
        if (std::find(shown.begin(), shown.end(), grade) == shown.end()) {
            shown.push_back(grade);
        }
    };
    for (const auto& call : parsed.calls) {
        for (const auto& note : call.notes) {
            if (note.grade) {
                add(*note.grade);
            }
        }
    }
    for (const auto& [name, size] : grades.own) {
        add(gradeCalled(name));
    }
    std::stable_sort(shown.begin(), shown.end(), [&](const notes::Grade& a, const notes::Grade& b) {
        return road::sizeOf(a, {}, grades).radius_m < road::sizeOf(b, {}, grades).radius_m;
    });
    showing_ = true;
    setRowCount(0);
    for (const auto& grade : shown) {
        addRow(grade, grades);
    }
    showing_ = false;
}

void GradeTable::addRow(const notes::Grade& grade, const road::Grades& grades)
{
    const int row = rowCount();
    insertRow(row);
    const std::string name = notes::toString(grade);
    QString shown = QString::fromStdString(name);
    auto* called = new QTableWidgetItem(shown.replace(QLatin1Char('_'), QLatin1Char(' ')));
    called->setData(Qt::UserRole, QString::fromStdString(name));
    called->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
    setItem(row, kGrade, called);
    const auto size = road::sizeOf(grade, {}, grades);
    const bool own = grades.own.contains(name);
    for (const auto& [column, value] :
        {std::pair(kRadius, size.radius_m), std::pair(kAngle, size.angle_deg)}) {
        auto* item = new QTableWidgetItem(QString::number(std::lround(value)));
        item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
        item->setFont(typeface(type::kText, own));
        setItem(row, column, item);
    }
}

void GradeTable::takeSize(QTableWidgetItem* changed)
{
    if (showing_ || changed->column() == kGrade) {
        return;
    }
    const std::string name = item(changed->row(), kGrade)->data(Qt::UserRole).toString().toStdString();
    auto style = document_.stage().style;
    const road::Grades grades(document_.prepared().notes.style.scale, style.grade_sizes);
    auto size = road::sizeOf(gradeCalled(name), {}, grades);
    bool number = false;
    const double value = changed->text().trimmed().toDouble(&number);
    const bool possible = number && value >= 1.0 && value <= (changed->column() == kRadius ? 2000.0 : 240.0);
    if (changed->text().trimmed().isEmpty()) {
        style.grade_sizes.erase(name);
    } else if (possible) {
        (changed->column() == kRadius ? size.radius_m : size.angle_deg) = value;
        style.grade_sizes[name] = size;
    } else {
        emit document_.message(
            tr("\u201c%1\u201d is no %2 of a corner; it was left as it was.")
                .arg(changed->text(), changed->column() == kRadius ? tr("radius") : tr("angle")));
    }
    if (style == document_.stage().style) {
        refresh();
        return;
    }
    document_.setStyle(style, tr("Change how a %1 is bent").arg(item(changed->row(), kGrade)->text()));
}

} // namespace brumefall::app
